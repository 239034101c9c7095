import { ActionIcon, Button, Menu, Text, Title } from "@mantine/core";
import { useState } from "react";

import { t } from "../frame/language";
import type { Preview } from "../api/types";
import classes from "./Builder.module.css";
import { fresh, KIND_ORDER, KINDS } from "./features";
import type { RecipeEditor } from "./useRecipe";

interface Props {
  editor: RecipeEditor;
  chosen: number | null;
  onChoose: (index: number | null) => void;
  preview: Preview | null;
}

/** The features in the order they are made: dragged or moved by keys, suppressed, taken away. */
export function FeatureList({ editor, chosen, onChoose, preview }: Props) {
  const { features } = editor.recipe;
  const [dragged, setDragged] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const move = (from: number, to: number) => {
    editor.move(from, to);
    if (to >= 0 && to < features.length) onChoose(to);
  };
  return (
    <section className={classes.list} aria-label={t("Features")}>
      <Title order={2} size="h4">
        {t("Features")}
      </Title>
      <Text className="quiet small">
        {t("In the order they are made. Drag, or Alt with the arrow keys.")}
      </Text>
      <ol className={classes.features}>
        {features.map((feature, index) => (
          <li
            key={feature.name + String(index)}
            data-chosen={chosen === index}
            data-over={over === index && dragged !== index}
            data-faulty={preview?.fault != null && preview.feature === index}
            draggable
            onDragStart={() => setDragged(index)}
            onDragOver={(event) => {
              event.preventDefault();
              setOver(index);
            }}
            onDragEnd={() => {
              setDragged(null);
              setOver(null);
            }}
            onDrop={(event) => {
              event.preventDefault();
              if (dragged !== null) move(dragged, index);
            }}
          >
            <button
              type="button"
              className={classes.feature}
              aria-pressed={chosen === index}
              onClick={() => onChoose(chosen === index ? null : index)}
              onKeyDown={(event) => {
                if (event.altKey && event.key === "ArrowUp") move(index, index - 1);
                else if (event.altKey && event.key === "ArrowDown") move(index, index + 1);
                else if (event.key === "Delete") editor.remove(index);
                else return;
                event.preventDefault();
              }}
            >
              <span className="quiet small">{index + 1}</span>
              <span data-suppressed={feature.suppressed}>{feature.name}</span>
              <span className="quiet small">
                {"operation" in feature && feature.operation === "cut"
                  ? "cut"
                  : t(KINDS[feature.kind].label).split(" ")[0]?.toLowerCase()}
              </span>
            </button>
            <ActionIcon
              size={24}
              variant="subtle"
              color="gray"
              aria-label={
                feature.suppressed
                  ? t("Bring {{name}} back", { name: feature.name })
                  : t("Suppress {{name}}", { name: feature.name })
              }
              aria-pressed={feature.suppressed}
              title={feature.suppressed ? t("Suppressed: bring it back") : t("Suppress")}
              onClick={() =>
                editor.setFeature(index, { ...feature, suppressed: !feature.suppressed })
              }
            >
              {feature.suppressed ? "○" : "●"}
            </ActionIcon>
            <ActionIcon
              size={24}
              variant="subtle"
              color="gray"
              aria-label={t("Take {{what}} away", { what: feature.name })}
              onClick={() => {
                editor.remove(index);
                onChoose(null);
              }}
            >
              ×
            </ActionIcon>
          </li>
        ))}
      </ol>
      <Menu position="bottom-start" width={260}>
        <Menu.Target>
          <Button size="xs">{t("Add a feature")}</Button>
        </Menu.Target>
        <Menu.Dropdown mah={420} style={{ overflowY: "auto" }}>
          {KIND_ORDER.map((kind) => (
            <Menu.Item
              key={kind}
              disabled={features.length === 0 && !["block", "extrude", "revolve"].includes(kind)}
              onClick={() => {
                editor.add(fresh(kind, features, preview));
                onChoose(features.length);
              }}
            >
              {t(KINDS[kind].label)}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
    </section>
  );
}
