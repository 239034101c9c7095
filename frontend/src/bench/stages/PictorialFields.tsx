import { SegmentedControl, Switch, Text } from "@mantine/core";

import type { View } from "../../api/types";
import { t } from "../../frame/language";
import type { Bench } from "../bench";

interface Props {
  bench: Bench;
  ownCorner: boolean;
  onOwnCorner: (own: boolean) => void;
}

/** From where a pictorial view is taken, and how those on the sheet are shaded. */
export function PictorialFields({ bench, ownCorner, onOwnCorner }: Props) {
  const shadeable = bench.document.views.filter((v) => v.kind === "pictorial" && v.lines === null);
  const shade = (value: string) =>
    bench.draft.change((now) => ({
      ...now,
      views: now.views.map((view) =>
        shadeable.some((own) => own.id === view.id)
          ? { ...view, shading: value === "none" ? null : (value as View["shading"]) }
          : view,
      ),
    }));
  return (
    <>
      {bench.ink?.corner && (
        <Switch
          mt="md"
          size="sm"
          label={t("Pictorial as the turntable stands")}
          description={ownCorner ? undefined : t("Else from the corner that belongs to the views")}
          checked={ownCorner}
          onChange={(e) => onOwnCorner(e.currentTarget.checked)}
        />
      )}
      {shadeable[0] && (
        <>
          <Text size="sm" mt="md" mb={2} id="pictorial-shading">
            {t("Pictorial shaded")}
          </Text>
          <SegmentedControl
            fullWidth
            size="xs"
            aria-labelledby="pictorial-shading"
            value={shadeable[0].shading ?? "none"}
            onChange={shade}
            data={[
              { value: "none", label: t("lines alone") },
              { value: "card", label: t("card tints") },
              { value: "own", label: t("its own colour") },
            ]}
          />
        </>
      )}
    </>
  );
}
