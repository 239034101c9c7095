import type { Finding } from "../api/types";
import classes from "./FindingOverlay.module.css";
import { FindingGlyph } from "./FindingSign";

interface Props {
  findings: { finding: Finding; label: number }[];
  height: number;
  /** The finding that is pointed at; the others step back. */
  lit?: number | null;
  onPoint?: (number: number | null) => void;
  onChoose?: (number: number) => void;
  /** Size of a mark, mm on paper. */
  size?: number;
}

/** Findings on a sheet: beads along missing lines, strokes along wrong ones, a mark at each. */
export function FindingOverlay({
  findings,
  height,
  lit = null,
  onPoint,
  onChoose,
  size = 9,
}: Props) {
  return (
    <g>
      {findings.map(({ finding, label }) => (
        <Marked
          key={finding.number}
          finding={finding}
          label={label}
          height={height}
          size={size}
          faded={lit !== null && lit !== finding.number}
          strong={lit === finding.number}
          onPoint={onPoint}
          onChoose={onChoose}
        />
      ))}
    </g>
  );
}

interface MarkedProps extends Pick<Props, "height" | "onPoint" | "onChoose"> {
  finding: Finding;
  label: number;
  size: number;
  faded: boolean;
  strong: boolean;
}

function Marked({ finding, label, height, size, faded, strong, onPoint, onChoose }: MarkedProps) {
  const colour =
    finding.decision === "waived"
      ? "var(--quiet-ink)"
      : finding.severity === "error"
        ? "#c2412d"
        : "#8f6115";
  const beads = finding.sign === "missing";
  const spot = place(finding);
  return (
    <g
      style={{ color: colour, opacity: faded ? 0.25 : 1, cursor: onChoose ? "pointer" : undefined }}
      data-thing={onChoose ? "" : undefined}
      onPointerEnter={() => onPoint?.(finding.number)}
      onPointerLeave={() => onPoint?.(null)}
      onClick={() => onChoose?.(finding.number)}
    >
      {finding.at.map((line, index) =>
        line.length === 1 ? (
          <circle
            key={index}
            cx={line[0]![0]}
            cy={height - line[0]![1]}
            r={1.6}
            fill="none"
            stroke={colour}
            className={classes.ring}
          />
        ) : (
          <polyline
            key={index}
            points={line.map(([x, y]) => `${x},${height - y}`).join(" ")}
            fill="none"
            stroke={colour}
            className={beads ? classes.beads : strong ? classes.strong : classes.line}
            strokeLinecap="round"
            strokeDasharray={beads ? "0.01 2.6" : isOutline(line) ? "2 1.4" : undefined}
          />
        ),
      )}
      {spot && (
        <g transform={`translate(${spot[0]} ${height - spot[1]})`}>
          <g className={classes.mark} style={{ "--size": size / 26 } as React.CSSProperties}>
            <FindingGlyph sign={finding.sign} half={finding.severity !== "error"} label={label} />
          </g>
        </g>
      )}
    </g>
  );
}

function isOutline(line: Finding["at"][number]): boolean {
  const [first, last] = [line[0], line[line.length - 1]];
  return line.length === 5 && first?.[0] === last?.[0] && first?.[1] === last?.[1];
}

/** Where the mark stands: the upper right corner of a framed view, else the middle of the first line. */
function place(finding: Finding): [number, number] | null {
  const line = finding.at[Math.floor(finding.at.length / 2)];
  if (!line?.length) return null;
  if (isOutline(line)) return line[2]!;
  const [a, b] = [
    line[Math.floor((line.length - 1) / 2)]!,
    line[Math.ceil((line.length - 1) / 2)]!,
  ];
  // A dimension's own text stands in the middle of its line.
  const share = finding.sign === "chain" ? 0.8 : 0.5;
  return [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1]) + (line.length === 1 ? 5 : 0)];
}
