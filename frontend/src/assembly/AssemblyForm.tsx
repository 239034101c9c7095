import { Button, Select, Text, TextInput, Title } from "@mantine/core";

import type { Assembly } from "../api/types";
import builder from "../builder/Builder.module.css";
import { t, written } from "../frame/language";
import { term } from "../frame/words";
import { SIDES } from "../turntable/attitude";
import classes from "./Assembly.module.css";
import type { AssemblyEditor } from "./useAssembly";
import { type Looked, nameOf } from "./useLook";

interface Props {
  editor: AssemblyEditor;
  look: Looked;
  onShare: (share: number) => void;
  /** Shows components on the turntable, by their ids. */
  onShow: (ids: readonly string[]) => void;
}

/** The assembly as a whole: its name, how it stands in use, what overlaps, and how it comes apart. */
export function AssemblyForm({ editor, look, onShare, onShow }: Props) {
  const { assembly } = editor;
  const overlaps = look.now?.overlaps ?? [];
  // One always stays; where more do, they bar each other.
  const staying = (look.now?.pulled ?? []).filter(({ way }) => way === null);
  const stuck = staying.length > 1 ? staying : [];
  const propose = () => {
    editor.setWays(new Map((look.now?.pulled ?? []).map(({ id, way }) => [id, way])));
    onShare(1);
  };
  return (
    <section className={builder.form} aria-label={t("Assembly as a whole")}>
      <TextInput
        size="xs"
        label={t("Name of the assembly")}
        maxLength={80}
        value={assembly.name}
        error={assembly.name.trim() ? null : t("An assembly has a name.")}
        onChange={(event) => {
          const name = event.currentTarget.value;
          editor.change((now) => ({ ...now, name }));
        }}
      />
      <Select
        size="xs"
        label={t("Up in use")}
        clearable
        data={SIDES.map((side) => ({ value: side, label: side.replace("-", "−").toUpperCase() }))}
        value={assembly.natural_up ?? null}
        onChange={(up) =>
          editor.change((now) => ({ ...now, natural_up: up as Assembly["natural_up"] }))
        }
      />
      <Title order={3} size="h5" mt={6}>
        {t("Overlaps")}
      </Title>
      {overlaps.length === 0 ? (
        <Text className="quiet small">
          {look.now ? t("Nothing overlaps.") : t("Told once parts are put in.")}
        </Text>
      ) : (
        <ul className={classes.overlaps}>
          {overlaps.map((own) => (
            <li key={`${own.first} ${own.second}`}>
              <button
                type="button"
                className={builder.pointing}
                onMouseEnter={() => onShow([own.first, own.second])}
                onMouseLeave={() => onShow([])}
                onFocus={() => onShow([own.first, own.second])}
                onBlur={() => onShow([])}
              >
                {t("{{one}} and {{other}}: {{volume}} {{unit}}³", {
                  one: nameOf(assembly, own.first),
                  other: nameOf(assembly, own.second),
                  volume: written(Number(own.volume.toPrecision(3))),
                  unit: term(assembly.units),
                })}
              </button>
            </li>
          ))}
        </ul>
      )}
      <Title order={3} size="h5" mt={6}>
        {t("Pulled apart")}
      </Title>
      <Text className="quiet small">
        {t(
          "Which component comes out along which way is found from what bars it. Each way can be changed.",
        )}
      </Text>
      <Button
        size="xs"
        variant="default"
        disabled={!look.now || look.busy || assembly.components.length < 2}
        onClick={propose}
      >
        {t("Propose how it comes apart")}
      </Button>
      {stuck.length > 0 && (
        <Text size="sm" c="var(--doubt)">
          {t("These bar each other and stay: {{names}}.", {
            names: stuck.map(({ id }) => nameOf(assembly, id)).join(", "),
          })}
        </Text>
      )}
      {assembly.components.length > 0 && (
        <Text className="quiet small">{t("Choose a component to move, turn or fit it.")}</Text>
      )}
    </section>
  );
}
