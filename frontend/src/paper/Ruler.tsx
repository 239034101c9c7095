import { Button, Group, Modal, NumberInput, Text } from "@mantine/core";
import { useState } from "react";

import { t } from "../frame/language";
import { keepPxPerMm, pxPerMm } from "./screen";

/** What is drawn to be measured, in mm of CSS. */
const DRAWN_MM = 100;
const DRAWN_PX = (DRAWN_MM * 96) / 25.4;

interface Props {
  opened: boolean;
  onClose: () => void;
  onMeasured: () => void;
}

/** A line to hold a ruler to, once for each screen: what it measures says how large a millimetre is here. */
export function Ruler({ opened, onClose, onMeasured }: Props) {
  const [measured, setMeasured] = useState<string | number>(
    () => Math.round((10 * DRAWN_PX) / pxPerMm()) / 10,
  );
  const length = Number(measured);
  const usable = length >= 24 && length <= 250;
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title={t("Hold a ruler to the screen")}
      size="lg"
      centered
    >
      <Text mb="md">
        {t("How long is this line, from end to end, on your screen? True size is exact then.")}
      </Text>
      <svg
        width={DRAWN_PX}
        height={26}
        aria-hidden
        style={{ maxWidth: "none", overflow: "visible" }}
      >
        <path
          d={`M0 2v22M${DRAWN_PX} 2v22M0 13H${DRAWN_PX}`}
          stroke="currentColor"
          fill="none"
          strokeWidth={1}
          shapeRendering="crispEdges"
        />
      </svg>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!usable) return;
          keepPxPerMm(DRAWN_PX / length);
          onClose();
          onMeasured();
        }}
      >
        <Group mt="md" align="end">
          <NumberInput
            label={t("Length on the ruler, mm")}
            data-autofocus
            value={measured}
            onChange={setMeasured}
            min={24}
            max={250}
            step={0.5}
            decimalScale={1}
            error={usable ? undefined : t("Between 24 and 250 mm")}
          />
          <Button type="submit" disabled={!usable}>
            {t("Keep for this screen")}
          </Button>
          <Button
            variant="default"
            onClick={() => {
              keepPxPerMm(null);
              setMeasured(DRAWN_MM);
            }}
          >
            {t("Forget")}
          </Button>
        </Group>
      </form>
    </Modal>
  );
}
