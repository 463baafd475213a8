import { createTheme, type CSSVariablesResolver } from "@mantine/core";

const INK = [
  "#f3f4f6",
  "#e1e4ea",
  "#c3c8d3",
  "#9aa1b1",
  "#747d91",
  "#586176",
  "#434b5e",
  "#333a4b",
  "#282e3d",
  "#1d2330",
] as const;

export const theme = createTheme({
  colors: { ink: INK },
  primaryColor: "ink",
  primaryShade: 9,
  fontFamily: '"Atkinson Hyperlegible", sans-serif',
  headings: { fontFamily: '"Barlow Condensed", sans-serif', fontWeight: "600" },
  defaultRadius: 4,
  cursorType: "pointer",
  focusRing: "auto",
  components: {
    // A coloured title on a tinted ground falls short of 4.5:1.
    Alert: { styles: { title: { color: "var(--ink)" }, message: { color: "var(--ink)" } } },
  },
});

/** Mantine's pale greys fall short of 4.5:1 on chalk. */
export const variables: CSSVariablesResolver = () => ({
  variables: {},
  light: { "--mantine-color-dimmed": "#525a6b", "--mantine-color-placeholder": "#626a7a" },
  dark: {},
});
