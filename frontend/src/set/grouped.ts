import type { Exercise } from "../api/types";

/** An exercise by itself, or those of a set that are shown, in the order of the set. */
export type Listed = { key: string; exercises: [Exercise, ...Exercise[]] };

/** Exercises as they are listed: those of one set together, where the first of them stands. */
export function grouped(exercises: readonly Exercise[]): Listed[] {
  const found = new Map<string, Listed>();
  for (const exercise of exercises) {
    const key = exercise.in_set ? `set ${exercise.in_set.id}` : `exercise ${exercise.id}`;
    const own = found.get(key);
    if (own) own.exercises.push(exercise);
    else found.set(key, { key, exercises: [exercise] });
  }
  for (const { exercises: own } of found.values())
    own.sort((one, other) => (one.in_set?.place ?? 0) - (other.in_set?.place ?? 0));
  return [...found.values()];
}

/** The exercises of the set that one is of, in their order; none where it is of no set. */
export function ofItsSet(exercise: Exercise, all: readonly Exercise[]): Exercise[] {
  const set = exercise.in_set;
  if (!set) return [];
  return grouped(all.filter((own) => own.in_set?.id === set.id))[0]?.exercises ?? [];
}

/** The sheet of a set a student goes on with: the first that is still drawn on or not begun, else the first. */
export function nextOf(exercises: Listed["exercises"]): Exercise {
  return (
    exercises.find((own) => own.sheet_state === "draft") ??
    exercises.find((own) => own.sheet_state === null) ??
    exercises[0]
  );
}

/** Where a student's sheet is opened: at the bench while it is drawn, else as it was handed in. */
export function placeOf(exercise: Exercise): string {
  return !exercise.sheet_state || exercise.sheet_state === "draft"
    ? `/exercises/${exercise.id}/bench`
    : `/sheets/${exercise.sheet}`;
}
