import { Button, Text } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { Assembly, ComponentPart } from "../api/types";
import classes from "../builder/Builder.module.css";
import { t } from "../frame/language";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { UndoRedo } from "../frame/UndoRedo";
import { useKeeping } from "../shelf/useKeeping";
import { AssemblyForm } from "./AssemblyForm";
import { AssemblyModel } from "./AssemblyModel";
import { ComponentForm } from "./ComponentForm";
import { ComponentList } from "./ComponentList";
import { forget, useAssembly } from "./useAssembly";
import { useFit } from "./useFit";
import { useLook } from "./useLook";
import { usePartMeshes } from "./usePartMeshes";

/** Parts of the shelf put together: a new assembly, or the next version of one. */
export default function AssemblyPage() {
  const { part } = useParams();
  const id = part === undefined ? null : Number(part);
  const kept = useQuery({
    queryKey: ["assembly", id],
    enabled: id !== null,
    staleTime: Infinity,
    gcTime: 0,
    queryFn: () =>
      answer(api.GET("/api/assemblies/{part_id}", { params: { path: { part_id: id ?? 0 } } })),
  });
  if (kept.error || (id !== null && !kept.data))
    return (
      <>
        <Header trail={<Link to="/shelf">{t("Shelf")}</Link>} />
        {kept.error ? <Trouble error={kept.error} /> : <Waiting />}
      </>
    );
  const start = kept.data?.assembly ?? { ...BLANK, name: t("New assembly") };
  return (
    <PuttingTogether key={id ?? "new"} part={id} start={start} known={kept.data?.parts ?? []} />
  );
}

const BLANK: Assembly = { format: 1, name: "", units: "mm", natural_up: null, components: [] };

interface Props {
  part: number | null;
  start: Assembly;
  known: ComponentPart[];
}

function PuttingTogether({ part, start, known }: Props) {
  const [first] = useState(start);
  const editor = useAssembly(part, first);
  const { assembly } = editor;
  const [chosen, setChosen] = useState<string | null>(null);
  const [share, setShare] = useState(0);
  const [pointedAt, setPointedAt] = useState<readonly string[]>([]);
  const meshes = usePartMeshes(assembly.components);
  const look = useLook(assembly);
  const component = assembly.components.find(({ id }) => id === chosen);
  const fit = useFit(editor, component);
  useHotkeys([["Escape", () => (fit.pointing ? fit.setPointing(false) : setChosen(null))]]);

  const { keep, keeping, trouble } = useKeeping(async () => {
    const body = { assembly };
    const made = await answer(
      part === null
        ? api.POST("/api/assemblies", { body })
        : api.PUT("/api/assemblies/{part_id}", { params: { path: { part_id: part } }, body }),
    );
    forget(part);
    return made;
  });
  const named = [assembly, ...assembly.components].every(({ name }) => name.trim());
  return (
    <div className="screen">
      <Header
        trail={
          <>
            <Link to="/shelf">{t("Shelf")}</Link> / <strong>{assembly.name}</strong>
          </>
        }
      >
        <UndoRedo undo={editor.undo} redo={editor.redo} />
        <Button
          loading={keeping}
          disabled={assembly.components.length === 0 || !named}
          onClick={keep}
        >
          {part === null ? t("Put on the shelf") : t("Keep as a new version")}
        </Button>
      </Header>
      <main className={classes.grid}>
        <div className={`${classes.side} panel`}>
          <ComponentList editor={editor} chosen={chosen} onChoose={setChosen} known={known} />
        </div>
        <section className={classes.middle} aria-label={t("Assembly")}>
          {(trouble || meshes.error) && (
            <Text role="alert" c="var(--fault)">
              {trouble || meshes.error?.message}
            </Text>
          )}
          <AssemblyModel
            assembly={assembly}
            shown={meshes.shown}
            look={look}
            fit={fit}
            chosen={chosen}
            onChoose={setChosen}
            share={share}
            onShare={setShare}
            pointedAt={pointedAt}
          />
        </section>
        <div className={`${classes.side} panel`}>
          {component ? (
            <ComponentForm
              key={component.id}
              component={component}
              editor={editor}
              shown={meshes.shown}
              fit={fit}
              onChoose={setChosen}
            />
          ) : (
            <AssemblyForm editor={editor} look={look} onShare={setShare} onShow={setPointedAt} />
          )}
        </div>
      </main>
    </div>
  );
}
