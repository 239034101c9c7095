import { Link } from "react-router";

import type { Exercise } from "../api/types";
import { useMe } from "../frame/me";

/** The set an exercise is of, where one is: on the way to it. */
export function SetTrail({ exercise }: { exercise: Exercise }) {
  const teaching = useMe().role === "instructor";
  const set = exercise.in_set;
  if (!set) return null;
  return <>{teaching ? <Link to={`/sets/${set.id}/wall`}>{set.title}</Link> : set.title} / </>;
}
