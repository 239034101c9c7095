import { t } from "../frame/language";
import { term } from "../frame/words";
import classes from "./Set.module.css";

interface Props {
  place: number;
  title: string;
  current: boolean;
  /** The address of its small picture; its number stands there where nothing is drawn. */
  picture: string | null;
  state: "draft" | "handed-in" | "returned" | null;
  disabled?: boolean;
  onOpen: () => void;
}

/** A sheet of a set as a tab: a small picture, number and title, and how it stands. */
export function Tab({ place, title, current, picture, state, disabled, onOpen }: Props) {
  return (
    <button
      type="button"
      className={classes.tab}
      aria-current={current ? "page" : undefined}
      disabled={disabled}
      onClick={onOpen}
    >
      <span className={classes.small}>
        {picture ? <img src={picture} alt="" /> : <span className="quiet small">{place}</span>}
      </span>
      <span className={classes.tabName}>
        {place}. {title}
        <span className="quiet small">
          {state === "handed-in" && t("Handed in")}
          {state === "returned" && term("returned")}
          {state === null && t("not begun")}
        </span>
      </span>
    </button>
  );
}
