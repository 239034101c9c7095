import { Badge, Text, Title } from "@mantine/core";

import type { ComponentPart } from "../api/types";
import { Button } from "@mantine/core";
import { t } from "../frame/language";
import classes from "./Assembly.module.css";
import { ShelfPicker } from "./ShelfPicker";
import type { AssemblyEditor } from "./useAssembly";

interface Props {
  editor: AssemblyEditor;
  chosen: string | null;
  onChoose: (id: string | null) => void;
  /** What is known of the parts as the assembly was opened. */
  known: readonly ComponentPart[];
}

/** The components, one chosen; and the shelf, to put in more. */
export function ComponentList({ editor, chosen, onChoose, known }: Props) {
  const { assembly } = editor;
  const newer = new Map(known.filter((own) => own.newer).map((own) => [own.key, own]));
  const stale = [...newer.values()].filter(({ key }) =>
    assembly.components.some(({ part }) => part === key),
  );
  return (
    <>
      <section aria-label={t("Components")}>
        <Title order={2} size="h4">
          {t("Components")}
        </Title>
        <ul className={classes.components}>
          {assembly.components.map((own) => (
            <li key={own.id} data-chosen={own.id === chosen}>
              <button
                type="button"
                className={classes.component}
                aria-pressed={own.id === chosen}
                onClick={() => onChoose(own.id === chosen ? null : own.id)}
              >
                <span
                  className={classes.swatch}
                  style={{ background: own.colour ?? "var(--tint-front)" }}
                />
                <span>
                  {own.name}
                  {(own.within ?? []).length > 0 && (
                    <Text span className="quiet small">
                      {" "}
                      {own.within?.join(" / ")}
                    </Text>
                  )}
                </span>
                {newer.has(own.part) && (
                  <Badge size="xs" variant="outline" color="ink">
                    {t("changed since")}
                  </Badge>
                )}
              </button>
            </li>
          ))}
        </ul>
        {stale.map((own) => (
          <Text key={own.key} size="sm" mb={6}>
            {t("{{name}} has a newer version.", { name: own.name })}{" "}
            <Button
              size="compact-xs"
              variant="default"
              onClick={() =>
                editor.change((now) => ({
                  ...now,
                  components: now.components.map((one) =>
                    one.part === own.key ? { ...one, part: String(own.newer) } : one,
                  ),
                }))
              }
            >
              {t("Take it up")}
            </Button>
          </Text>
        ))}
      </section>
      <ShelfPicker editor={editor} onAdded={onChoose} />
    </>
  );
}
