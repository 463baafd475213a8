import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartData,
  type ChartOptions,
} from "chart.js";
import { useMantineColorScheme } from "@mantine/core";
import { useMemo } from "react";
import { Chart as Canvas } from "react-chartjs-2";
import type { Ink, Question, Series } from "./question.js";

Chart.register(BarController, BarElement, CategoryScale, LinearScale);
Chart.register(LineController, LineElement, PointElement, Filler, Legend, Tooltip);

/** The palette's colours as they are on this ground. */
function inks(): (ink: Ink | "paper") => string {
  const style = getComputedStyle(document.documentElement);
  return (ink) => style.getPropertyValue(`--${ink}`).trim();
}

/** Points of another shape for each line: colour alone tells nobody apart. */
const SHAPES = ["circle", "rectRot", "triangle"] as const;

function datasetOf(series: Series, place: number, colour: (ink: Ink | "paper") => string) {
  const { name, values, as, ink } = series;
  const data = [...values];
  if (as === "bar") {
    return {
      ...{ type: "bar" as const, label: name, data, order: 1 },
      ...{ backgroundColor: colour(ink), borderColor: colour("ink"), borderWidth: 1, maxBarThickness: 34 },
    };
  }
  const isLimit = as === "limit";
  return {
    ...{ type: "line" as const, label: name, data, order: 0, spanGaps: !isLimit },
    ...{ borderColor: colour(isLimit ? "edge" : ink), borderWidth: 2.5, borderDash: isLimit ? [7, 5] : [] },
    ...{ stepped: isLimit ? ("middle" as const) : false, pointRadius: isLimit ? 0 : 5 },
    ...{ pointStyle: SHAPES[place % SHAPES.length], pointBackgroundColor: colour(ink) },
    // Yellow on chalk is seen by its edge.
    ...{ pointBorderColor: colour("ink"), pointBorderWidth: 1.5, backgroundColor: colour(ink) },
  };
}

const FONT = { family: '"Atkinson Hyperlegible", sans-serif', size: 13 } as const;

function optionsOf(
  { unit, isStacked, most, along }: Question,
  colour: (ink: Ink | "paper") => string,
): ChartOptions<"bar" | "line"> {
  const soft = colour("ink-soft");
  const axis = { ticks: { color: soft, font: FONT, precision: 0 }, border: { color: colour("edge") } };
  return {
    ...{ animation: false, maintainAspectRatio: false, responsive: true },
    interaction: { mode: "index", intersect: false },
    scales: {
      x: {
        ...axis,
        stacked: isStacked,
        grid: { display: false },
        title: { display: true, text: along, color: soft, font: FONT },
      },
      y: {
        ...{ ...axis, stacked: isStacked, beginAtZero: true, grid: { color: colour("rule") } },
        ...(most === undefined ? {} : { max: most }),
        title: { display: true, text: unit, color: soft, font: FONT },
      },
    },
    plugins: {
      legend: {
        align: "start",
        labels: {
          color: colour("ink"),
          font: FONT,
          usePointStyle: true,
          boxHeight: 9,
          sort: (one, other) => (one.datasetIndex ?? 0) - (other.datasetIndex ?? 0),
        },
      },
      tooltip: { titleFont: FONT, bodyFont: FONT },
    },
  };
}

/** A question's chart. What it says is said beside it in words, and in a table. */
export function QuestionCanvas({ question }: { readonly question: Question }) {
  const { colorScheme } = useMantineColorScheme();
  const { data, options } = useMemo(() => {
    const colour = inks();
    const made: ChartData<"bar" | "line", (number | null)[], string> = {
      labels: [...question.labels],
      datasets: question.series.map((series, place) => datasetOf(series, place, colour)),
    };
    return { data: made, options: optionsOf(question, colour) };
    // The palette follows the ground, which React does not see.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [question, colorScheme]);
  return <Canvas type="bar" data={data} options={options} aria-hidden />;
}
