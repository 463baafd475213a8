/** A question that a chart answers: its sentence, what is drawn, and the same as a table. */
import type { Sheet } from "../app/sheet.js";

/** What a colour is for; the palette says which it is on this ground. */
export type Ink =
  | "ink"
  | "ink-soft"
  | "rule"
  | "signal"
  | "edge"
  | "family-footwork"
  | "family-side-swings"
  | "family-crosses"
  | "family-multiples";

export interface Series {
  readonly name: string;
  /** A value a label; null where there is none. */
  readonly values: readonly (number | null)[];
  readonly as: "bar" | "line" | "limit";
  readonly ink: Ink;
}

export interface Question {
  readonly id: string;
  readonly title: string;
  /** The answer in words. */
  readonly sentence: string;
  /** What the labels are of: `Week`, `Lesson`, `Skill`. */
  readonly along: string;
  readonly labels: readonly string[];
  readonly series: readonly Series[];
  /** Bars stand on each other. */
  readonly isStacked: boolean;
  /** Of the values: `tries`, `%`. */
  readonly unit: string;
  /** The most that can be, where there is one. */
  readonly most?: number;
}

export interface Table {
  readonly fields: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

const number = new Intl.NumberFormat("en", { maximumFractionDigits: 1 });

/** The question's numbers, a row a label. */
export function tableOf({ along, labels, series, unit }: Question): Table {
  return {
    fields: [along, ...series.map(({ name }) => `${name} (${unit})`)],
    rows: labels.map((label, place) => [
      label,
      ...series.map(({ values }) => {
        const value = values[place] ?? null;
        return value === null ? "" : number.format(value);
      }),
    ]),
  };
}

export function questionSheet(question: Question): Sheet {
  const { along, labels, series, unit } = question;
  const fields = [along, ...series.map(({ name }) => `${name} (${unit})`)];
  const rows = labels.map((label, place) => [label, ...series.map(({ values }) => values[place] ?? null)]);
  return { fields, rows };
}

/** Whether there is anything to be drawn. */
export const hasValues = ({ series }: Question) =>
  series.some(({ as, values }) => as !== "limit" && values.some((value) => value !== null && value > 0));

/** What has a chart before what is only said: cards of one height stand beside each other. */
export const drawnFirst = (questions: readonly Question[]) => [
  ...questions.filter(hasValues),
  ...questions.filter((one) => !hasValues(one)),
];
