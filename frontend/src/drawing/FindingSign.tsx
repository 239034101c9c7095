import { term } from "../frame/words";
import { said, t } from "../frame/language";
import type { Finding } from "../api/types";

interface Props {
  sign: Finding["sign"];
  severity: Finding["severity"];
  decision?: Finding["decision"];
  label?: string | number;
  size?: number;
}

const NAMES: Record<Finding["sign"], string> = {
  missing: said("something is missing"),
  surplus: said("something is too much"),
  displaced: said("something is in the wrong place"),
  chain: said("a closed chain"),
  open: said("still open"),
  doubt: said("doubtful"),
};

/** The sign of a finding: its form first, a colour second; half-filled for a warning. */
export function FindingSign({ sign, severity, decision, label, size = 26 }: Props) {
  const colour =
    decision === "waived"
      ? "var(--quiet-ink)"
      : severity === "error"
        ? "var(--fault)"
        : "var(--doubt)";
  return (
    <svg
      viewBox="-13 -13 26 26"
      width={size}
      height={size}
      role="img"
      aria-label={`${term(severity)}: ${t(NAMES[sign])}`}
      style={{ color: colour, flex: "none" }}
    >
      <FindingGlyph sign={sign} half={severity !== "error"} label={label} />
    </svg>
  );
}

/** The bare glyph in a 26-unit square around the origin, in the current colour. */
export function FindingGlyph({
  sign,
  half,
  label,
}: {
  sign: Finding["sign"];
  half: boolean;
  label?: string | number;
}) {
  const solid = sign === "surplus" || sign === "displaced";
  return (
    <g stroke="currentColor" strokeWidth={2} fill="none" strokeLinejoin="round">
      {sign === "missing" && (
        <path d="M0-11 11 0 0 11-11 0z" strokeDasharray="4 2.6" fill="#fffdf8" />
      )}
      {sign === "surplus" && <rect x={-9} y={-9} width={18} height={18} fill="currentColor" />}
      {sign === "displaced" && <path d="M-11-8H5L12 0 5 8H-11z" fill="currentColor" />}
      {sign === "chain" && <rect x={-11} y={-7} width={22} height={14} rx={7} fill="#fffdf8" />}
      {sign === "open" && <path d="M-9-10V10M-4-10c5 5-5 6 0 10s-5 6 0 10M4 0h8m-3-3 3 3-3 3" />}
      {sign === "doubt" && <circle r={10} fill="#fffdf8" />}
      {half && !solid && (
        <path d="M-11 0A11 11 0 0 0 11 0z" fill="currentColor" opacity={0.35} stroke="none" />
      )}
      {half && solid && <path d="M-9-9H9L-9 9z" fill="#fffdf8" opacity={0.55} stroke="none" />}
      {label !== undefined && (
        <text
          y={4.4}
          x={sign === "displaced" ? -2 : 0}
          textAnchor="middle"
          fontSize={12}
          fontWeight={700}
          stroke="none"
          fill={solid ? "#fffdf8" : "currentColor"}
        >
          {label}
        </text>
      )}
    </g>
  );
}
