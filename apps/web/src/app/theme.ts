import type { MouseEvent } from "react";
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

/** Mantine's greys of a dark scheme, from the lightest text to the deepest ground: those of the palette's night. */
const NIGHT = [
  "#f2ede3",
  "#dfe3ec",
  "#c3c8d3",
  "#9aa1b1",
  "#4a5266",
  "#2a3040",
  "#1f2531",
  "#12151d",
  "#0e1118",
  "#0b0d13",
] as const;

export const theme = createTheme({
  colors: { ink: INK, dark: NIGHT },
  primaryColor: "ink",
  primaryShade: { light: 9, dark: 5 },
  fontFamily: '"Atkinson Hyperlegible", sans-serif',
  headings: { fontFamily: '"Barlow Condensed", sans-serif', fontWeight: "600" },
  defaultRadius: 4,
  cursorType: "pointer",
  focusRing: "auto",
  components: {
    // A file that was mended and is chosen again has the same name: it is read once more.
    FileButton: {
      defaultProps: {
        inputProps: {
          onClick: ({ currentTarget }: MouseEvent<HTMLInputElement>) => void (currentTarget.value = ""),
        },
      },
    },
    // A coloured title on a tinted ground falls short of 4.5:1.
    // As large as other headings, and inside: on the border it is struck through.
    Fieldset: {
      styles: {
        root: { paddingTop: 12 },
        legend: {
          float: "left",
          font: '600 20px/1.2 "Barlow Condensed", sans-serif',
          marginBottom: 10,
          padding: 0,
          width: "100%",
        },
      },
    },
    Alert: { styles: { title: { color: "var(--ink)" }, message: { color: "var(--ink)" } } },
  },
});

/** Mantine's pale greys fall short of 4.5:1 on either ground. */
export const variables: CSSVariablesResolver = () => ({
  variables: {},
  light: { "--mantine-color-dimmed": "#525a6b", "--mantine-color-placeholder": "#626a7a" },
  dark: { "--mantine-color-dimmed": "#c3c8d3", "--mantine-color-placeholder": "#9aa1b1" },
});
