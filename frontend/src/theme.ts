import { createTheme, type CSSVariablesResolver, type MantineColorsTuple } from "@mantine/core";

/** The tokens of the look; every colour on the screen comes from here. */
const light = {
  ground: "#f3ede1",
  wall: "#ece3d1",
  paper: "#fffdf8",
  ink: "#23262d",
  "quiet-ink": "#625f57",
  rule: "#dccfb8",
  "tint-front": "#e6cf9f",
  "tint-top": "#c3d2ba",
  "tint-side": "#d6ab92",
  fault: "#c2412d",
  doubt: "#8f6115",
  settled: "#2c7a70",
  lit: "#fbf2df",
} as const;

const dark: Record<keyof typeof light, string> = {
  ground: "#1f1e1b",
  wall: "#292722",
  paper: "#f4efe4",
  ink: "#f1ead9",
  "quiet-ink": "#b3ab9a",
  rule: "#474236",
  "tint-front": "#cdb585",
  "tint-top": "#a5b79b",
  "tint-side": "#bd9179",
  fault: "#e87a64",
  doubt: "#d9a44c",
  settled: "#63b5a9",
  lit: "#37322a",
};

/** Ink on sheets stays dark in both schemes: the paper is light in both. */
export const SHEET_INK = "#23262d";
export const TINTS = {
  x: light["tint-side"],
  y: light["tint-front"],
  z: light["tint-top"],
} as const;
export const FAULT = light.fault;

const inkShades: MantineColorsTuple = [
  "#f5f5f6",
  "#e4e5e7",
  "#c6c8cd",
  "#a6aab2",
  "#878c97",
  "#6b707c",
  "#50555f",
  "#3a3e47",
  "#2c3038",
  "#23262d",
];

const warmGrey: MantineColorsTuple = [
  "#faf5ea",
  "#ebe2d0",
  "#e3d8c2",
  "#d8cab0",
  "#c9b896",
  "#ab9c7e",
  "#8d8068",
  "#6d6a62",
  "#4f4b43",
  "#35322c",
];

const warmDark: MantineColorsTuple = [
  "#f1ead9",
  "#d6cdba",
  "#b3ab9a",
  "#7d7566",
  "#5c5546",
  "#474236",
  "#37322a",
  "#292722",
  "#1f1e1b",
  "#171613",
];

export const theme = createTheme({
  primaryColor: "ink",
  primaryShade: { light: 9, dark: 6 },
  colors: { ink: inkShades, gray: warmGrey, dark: warmDark },
  autoContrast: true,
  defaultRadius: 3,
  fontFamily: '"Atkinson Hyperlegible Next", sans-serif',
  headings: { fontFamily: '"Bricolage Grotesque Variable", sans-serif', fontWeight: "650" },
  components: {
    Button: { defaultProps: { size: "sm" } },
    Input: { defaultProps: { size: "sm" } },
  },
});

function variables(tokens: Record<string, string>): Record<string, string> {
  return Object.fromEntries(Object.entries(tokens).map(([name, value]) => [`--${name}`, value]));
}

export const cssVariables: CSSVariablesResolver = () => ({
  variables: {},
  light: {
    ...variables(light),
    "--mantine-color-body": light.ground,
    "--mantine-color-text": light.ink,
    "--mantine-color-default": light.paper,
    "--mantine-color-default-hover": light.lit,
    "--mantine-color-default-border": "#c9b896",
    "--mantine-color-dimmed": light["quiet-ink"],
    "--mantine-color-placeholder": light["quiet-ink"],
    "--mantine-color-error": light.fault,
  },
  dark: {
    ...variables(dark),
    "--mantine-color-body": dark.ground,
    "--mantine-color-text": dark.ink,
    "--mantine-color-default": dark.wall,
    "--mantine-color-default-hover": dark.lit,
    "--mantine-color-default-border": "#5c5546",
    "--mantine-color-dimmed": dark["quiet-ink"],
    "--mantine-color-placeholder": dark["quiet-ink"],
    "--mantine-color-error": dark.fault,
  },
});
