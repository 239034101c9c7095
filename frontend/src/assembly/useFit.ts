import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { PlacedPart } from "../api/types";
import type { AssemblyEditor } from "./useAssembly";

export type How = "against" | "flush" | "axis";
/** A face of a component, numbered as in its part. */
export interface FaceOf {
  id: string;
  face: number;
}

/** Putting the chosen component against another: how, by which of its faces, and by which of the other's. */
export function useFit(editor: AssemblyEditor, component: PlacedPart | undefined) {
  const [how, setHow] = useState<How>("against");
  const [pointing, setPointing] = useState(false);
  const [own, setOwn] = useState<FaceOf | null>(null);
  const [other, setOther] = useState<FaceOf | null>(null);
  const there = (face: FaceOf | null) =>
    face && editor.assembly.components.some(({ id }) => id === face.id) ? face : null;
  const mine = own?.id === component?.id ? there(own) : null;
  const theirs = other?.id === component?.id ? null : there(other);
  const put = useMutation({
    mutationFn: async () => {
      if (!mine || !theirs) return;
      const placed = await answer(
        api.POST("/api/assemblies/fit", {
          body: {
            assembly: editor.assembly,
            moved: mine.id,
            face: mine.face,
            onto: theirs.id,
            onto_face: theirs.face,
            how,
          },
        }),
      );
      editor.set(mine.id, { at: placed.at, axes: placed.axes });
      setPointing(false);
    },
  });
  return {
    how,
    setHow: (next: How) => {
      put.reset();
      setHow(next);
    },
    pointing: pointing && component !== undefined,
    setPointing,
    own: mine,
    other: theirs,
    setOwn,
    setOther,
    /** A face that was pointed at: of the chosen component, or of the one it is put against. */
    pick: (face: FaceOf) => {
      put.reset();
      if (face.id === component?.id) setOwn(face);
      else setOther(face);
    },
    put: mine && theirs ? () => put.mutate() : null,
    busy: put.isPending,
    error: put.error,
  };
}

export type Fit = ReturnType<typeof useFit>;
