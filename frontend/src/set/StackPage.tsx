import { Link } from "react-router";

import type { Criterion, SetWall, StackedSheet } from "../api/types";
import { t } from "../frame/language";
import { points } from "../frame/words";
import classes from "./Set.module.css";

interface Props {
  sheet: StackedSheet;
  place: SetWall["places"][number];
  lens: Criterion | null;
  /** In a stack the first sheet lies on top. */
  depth: number;
}

/** One sheet of a stack, or the place where it is missing; a lens fades it where it finds nothing. */
export function StackPage({ sheet, place, lens, depth }: Props) {
  const ratio = { aspectRatio: `${place.width} / ${place.height}` };
  if (sheet.sheet === null || sheet.sheet === undefined)
    return (
      <li className={classes.page} style={{ zIndex: depth }}>
        <span className={classes.onWall} data-there={false} style={ratio}>
          <span className="small">{t("not handed in")}</span>
        </span>
        <span className={`${classes.caption} quiet`}>{place.title}</span>
      </li>
    );
  const count = lens ? (sheet.found?.[lens] ?? 0) : 0;
  return (
    <li className={classes.page} style={{ zIndex: depth }}>
      <Link
        to={`/sheets/${sheet.sheet}`}
        aria-label={t("{{title}}, {{points}} of {{of}}", {
          title: place.title,
          points: points(sheet.points),
          of: points(sheet.of),
        })}
      >
        <span
          className={classes.onWall}
          data-there
          data-faded={lens !== null && count === 0}
          style={ratio}
        >
          <img
            src={`/api/sheets/${sheet.sheet}/drawing.svg?revision=${sheet.revision}`}
            alt=""
            loading="lazy"
          />
          {count > 0 && (
            <span className={classes.count} title={t("{{count}} findings", { count })}>
              {count}
            </span>
          )}
        </span>
        <span className={classes.caption}>
          <span>{place.title}</span>
          <span className="number">
            {points(sheet.points)}
            <span className="quiet">/{points(sheet.of)}</span>
          </span>
        </span>
      </Link>
    </li>
  );
}
