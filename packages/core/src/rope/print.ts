import { withoutDefaults, landingOf, type Beat, type Item, type Score, type Turn } from "./score.js";

function turnText({ arms, caught }: Turn): string {
  return caught ? `${arms}!` : arms;
}

function bodyText(turns: readonly Turn[]): string {
  const [first] = turns;
  if (first === undefined) return ".";
  return turns.length === 1 ? turnText(first) : `(${turns.map(turnText).join(" ")})`;
}

function feetText(beat: Beat): string {
  if (beat.takeOff !== null) return `/${beat.takeOff}>${landingOf(beat)}`;
  return beat.landing === null ? "" : `/${beat.landing}`;
}

function beatText(beat: Beat): string {
  return bodyText(beat.turns) + feetText(beat) + beat.gestures.map((gesture) => `+${gesture}`).join("");
}

function itemsText(items: readonly Item[]): string {
  return items
    .map(({ unit, count }) => {
      const text = unit.kind === "beat" ? beatText(unit) : `[${itemsText(unit.items)}]`;
      return count === null ? text : `${text}*${count}`;
    })
    .join(" ");
}

/** The canonical text of a score: one space between items, no comments, nothing that is a default. */
export function printScore(score: Score): string {
  const { direction, items } = withoutDefaults(score);
  return `${direction === "backward" ? "< " : ""}${itemsText(items)}`;
}
