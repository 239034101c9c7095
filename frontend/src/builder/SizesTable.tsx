import { ActionIcon, Button, Text, TextInput, Title } from "@mantine/core";

import { t } from "../frame/language";
import type { NamedSize } from "../api/types";
import classes from "./Builder.module.css";
import { SizeInput } from "./SizeInput";
import type { RecipeEditor } from "./useRecipe";

interface Props {
  editor: RecipeEditor;
  values: Record<string, number>;
}

/** Sizes with names, for use in expressions; those with a range vary from student to student. */
export function SizesTable({ editor, values }: Props) {
  const { sizes } = editor.recipe;
  const set = (index: number, change: Partial<NamedSize>) =>
    editor.change((now) => ({
      ...now,
      sizes: now.sizes.map((size, k) => (k === index ? { ...size, ...change } : size)),
    }));
  const add = () => {
    let name = "size";
    for (let n = 2; sizes.some((s) => s.name === name); n++) name = `size${n}`;
    editor.change((now) => ({
      ...now,
      sizes: [...now.sizes, { name, value: 10, low: null, high: null, step: 1 }],
    }));
  };
  return (
    <section aria-label={t("Named sizes")}>
      <Title order={2} size="h4" mt="lg">
        {t("Named sizes")}
      </Title>
      <Text className="quiet small">
        {t(
          "Use them in any size, as in width/2 − 4. A range from – to gives every student sizes of their own.",
        )}
      </Text>
      {sizes.length > 0 && (
        <table className={classes.sizes}>
          <thead>
            <tr>
              <th>{t("name")}</th>
              <th>{t("value")}</th>
              <th>{t("from")}</th>
              <th>{t("to")}</th>
              <th>{t("step")}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {sizes.map((size, index) => (
              <tr key={index}>
                <td>
                  <TextInput
                    size="xs"
                    aria-label={t("Name of size {{number}}", { number: index + 1 })}
                    defaultValue={size.name}
                    key={size.name}
                    onBlur={(event) => {
                      const name = event.currentTarget.value.trim();
                      if (/^[A-Za-z]\w{0,30}$/.test(name)) set(index, { name });
                      else event.currentTarget.value = size.name;
                    }}
                  />
                </td>
                <td title={values[size.name] === undefined ? undefined : `= ${values[size.name]}`}>
                  <SizeInput
                    aria-label={t("Value of {{name}}", { name: size.name })}
                    value={size.value}
                    onChange={(value) => value !== null && set(index, { value })}
                  />
                </td>
                <td>
                  <SizeInput
                    aria-label={t("{{name}} from", { name: size.name })}
                    optional
                    value={size.low ?? null}
                    onChange={(low) =>
                      set(index, { low, high: low === null ? null : (size.high ?? size.value) })
                    }
                  />
                </td>
                <td>
                  <SizeInput
                    aria-label={t("{{name}} to", { name: size.name })}
                    optional
                    value={size.high ?? null}
                    onChange={(high) =>
                      set(index, { high, low: high === null ? null : (size.low ?? size.value) })
                    }
                  />
                </td>
                <td>
                  <SizeInput
                    aria-label={t("Step of {{name}}", { name: size.name })}
                    value={size.step}
                    onChange={(step) => step !== null && set(index, { step })}
                  />
                </td>
                <td>
                  <ActionIcon
                    size={24}
                    variant="subtle"
                    color="gray"
                    aria-label={t("Take the size {{name}} away", { name: size.name })}
                    onClick={() =>
                      editor.change((now) => ({
                        ...now,
                        sizes: now.sizes.filter((_, k) => k !== index),
                      }))
                    }
                  >
                    ×
                  </ActionIcon>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Button size="xs" variant="default" mt="xs" onClick={add}>
        {t("Name a size")}
      </Button>
    </section>
  );
}
