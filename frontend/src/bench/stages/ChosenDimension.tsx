import {
  Autocomplete,
  Button,
  Group,
  NumberInput,
  SegmentedControl,
  Switch,
  TextInput,
} from "@mantine/core";
import { useEffect, useRef } from "react";

import { terms } from "../../frame/words";
import { t } from "../../frame/language";
import type { Dimension } from "../../api/types";
import { alikeInView, calloutAt } from "../alike";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";
import { ByHalf } from "./ByHalf";
import { Decimals, TextStanding } from "./TextStanding";
import { aroundOf, writtenAround } from "../written";

/** What is offered for a tolerance; anything else may be typed. */
const DEVIATIONS = ["±0.05", "±0.1", "±0.2", "+0.1/0", "0/-0.1"];
const FITS = ["H7", "H8", "H11", "h6", "h9", "g6", "f7", "js6", "k6", "n6", "p6"];

interface Props {
  bench: Bench;
  dimension: Dimension;
}

/** What can be said of the dimension that is chosen; its value is the part's unless it is typed over. */
export function ChosenDimension({ bench, dimension }: Props) {
  const change = (next: Partial<Dimension>) =>
    bench.draft.change((now) => ({
      ...now,
      dimensions: now.dimensions.map((d) =>
        d.id === dimension.id ? ({ ...d, ...next } as Dimension) : d,
      ),
    }));
  const own = useRef<HTMLDivElement>(null);
  // Chosen far down in the list, or on the sheet, it may be out of sight.
  useEffect(() => {
    // Its promise, where a browser gives one, is nothing to be called when this goes.
    void own.current?.scrollIntoView({ block: "nearest" });
  }, []);
  const around = aroundOf(dimension.text ?? null);
  const whole = calloutAt(bench.ink, dimension);
  const alike = alikeInView(bench.ink, bench.document, dimension);
  return (
    <div ref={own} className={classes.chosen} style={{ marginTop: 12 }}>
      {dimension.kind === "linear" && (
        <SegmentedControl
          size="xs"
          fullWidth
          aria-label={t("Direction")}
          data={terms(["across", "up", "aligned"])}
          value={dimension.along}
          onChange={(along) => change({ along: along as "across" | "up" | "aligned" })}
        />
      )}
      {"count" in dimension && (
        <NumberInput
          size="xs"
          label={t("How many alike")}
          min={1}
          max={99}
          value={dimension.count}
          onChange={(count) => change({ count: Number(count) || 1 })}
        />
      )}
      {"count" in dimension && alike > 1 && dimension.count !== alike && (
        <Button size="xs" mt={6} variant="default" onClick={() => change({ count: alike })}>
          {t("{{number}} alike in this view: write {{number}}×", { number: alike })}
        </Button>
      )}
      {whole && whole !== dimension.text && (
        <Button size="xs" mt={6} variant="default" onClick={() => change({ text: whole })}>
          {t("Whole hole: {{text}}", { text: whole })}
        </Button>
      )}
      {dimension.kind === "linear" && (
        <ByHalf bench={bench} dimension={dimension} change={change} />
      )}
      <Switch
        size="xs"
        mt={8}
        label={t("In brackets, for reference only")}
        checked={dimension.reference}
        onChange={(e) => change({ reference: e.currentTarget.checked })}
      />
      {dimension.kind === "linear" && <TextStanding dimension={dimension} change={change} />}
      {dimension.kind !== "linear" && dimension.kind !== "angle" && (
        <Decimals dimension={dimension} change={change} />
      )}
      {around && (
        <Group grow gap={6} mt={6} align="start">
          <Autocomplete
            size="xs"
            label={t("Tolerance")}
            description={t("±0.1, +0.2/0 or H7")}
            data={dimension.kind === "diameter" ? [...DEVIATIONS, ...FITS] : DEVIATIONS}
            value={around.tolerance}
            maxLength={40}
            onChange={(tolerance) => change({ text: writtenAround({ ...around, tolerance }) })}
          />
          <Autocomplete
            size="xs"
            label={t("Words behind it")}
            description={t("THRU, TYP, both sides")}
            data={["THRU", "TYP", t("BOTH SIDES")]}
            value={around.behind}
            maxLength={60}
            onChange={(behind) => change({ text: writtenAround({ ...around, behind }) })}
          />
        </Group>
      )}
      <TextInput
        size="xs"
        mt={6}
        label={t("Typed over")}
        description={t("Empty: the size of the part")}
        placeholder={t("the part's own size")}
        value={dimension.text ?? ""}
        maxLength={120}
        onChange={(e) => change({ text: e.currentTarget.value || null })}
      />
    </div>
  );
}
