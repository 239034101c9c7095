import dayjs from "dayjs";

/** A week from today, in the evening, as the date fields write it. */
export function nextWeek(): string {
  return dayjs().add(7, "day").hour(22).startOf("hour").format("YYYY-MM-DD HH:mm:ss");
}
