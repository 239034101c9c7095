import type { Said, SheetDocument, View } from "../api/types";
import { t } from "../frame/language";
import { viewWords } from "../frame/words";

/** What a group of lines can be said to be: a special view is that of a cutting line, a circle or a parent. */
export interface Saying {
  said: Said;
  of: string | null;
}

const VIEWS: Said[] = ["front", "top", "right", "left", "bottom", "rear", "pictorial"];
const PARENTS: View["kind"][] = ["principal", "auxiliary", "section"];

/** A saying as the value of a choice. */
export function choiceOf({ said, of }: Saying): string {
  return of === null ? said : `${said}:${of}`;
}

/** The saying a choice stands for. */
export function sayingOf(value: string): Saying {
  const [said, of] = value.split(":");
  return { said: said as Said, of: of ?? null };
}

/** What a group was taken for; `name` is what its view is called. */
export function takenFor(sheet: SheetDocument, view: View, name: string): Saying {
  const marks = view.kind === "section" ? sheet.cutting_lines : sheet.circled;
  if (view.kind === "section" || view.kind === "detail")
    return {
      said: view.kind,
      of: marks.find((mark) => mark.letter === view.letter && mark.view !== view.id)?.id ?? null,
    };
  if (view.kind === "auxiliary") return { said: "auxiliary", of: view.parent ?? null };
  return { said: name === "unrecognised" ? "none" : (name as Said), of: null };
}

/** Everything a group can be said to be, in words; `names` are what the views of the sheet are called. */
export function sayings(
  sheet: SheetDocument,
  view: View,
  names: ReadonlyMap<string, string>,
): { value: string; label: string }[] {
  const plain = VIEWS.map((said) => ({ value: said, label: viewWords(said) }));
  const cut = sheet.cutting_lines
    .filter((line) => line.view !== view.id)
    .map((line, place) => ({
      value: choiceOf({ said: "section", of: line.id }),
      label: line.letter
        ? t("section {{first}}–{{last}}", {
            first: line.letter,
            last: line.other ?? line.letter,
          })
        : t("section at cutting line {{number}}", { number: place + 1 }),
    }));
  const circled = sheet.circled
    .filter((region) => region.view !== view.id)
    .map((region, place) => ({
      value: choiceOf({ said: "detail", of: region.id }),
      label: t("detail {{letter}}", { letter: region.letter ?? String(place + 1) }),
    }));
  const folded = sheet.views
    .filter((other) => other.id !== view.id && PARENTS.includes(other.kind))
    .map((other) => ({
      value: choiceOf({ said: "auxiliary", of: other.id }),
      label: t("auxiliary view, from: {{parent}}", {
        parent: viewWords(names.get(other.id) ?? other.kind),
      }),
    }));
  const bare = [
    { value: "section", label: t("section without a cutting line") },
    ...(view.kind === "detail" && takenFor(sheet, view, "detail").of === null
      ? [{ value: "detail", label: t("detail without a circle") }]
      : []),
    ...(view.kind === "auxiliary" && !view.parent
      ? [{ value: "auxiliary", label: viewWords("auxiliary") }]
      : []),
  ];
  return [
    ...plain,
    ...cut,
    ...circled,
    ...folded,
    ...bare,
    { value: "none", label: t("no view of the part") },
  ];
}
