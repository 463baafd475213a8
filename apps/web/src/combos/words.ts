/** Every sentence about combos: codes and numbers in, plain words out. */
import { comboSubject, type SideName } from "@mirrup/core";
import {
  comboText,
  type Ability,
  type ComboMeasures,
  type ComboPart,
  type CombosFault,
  type Difficulty,
  type LearningStep,
  type Loosening,
  type Repair,
} from "@mirrup/core/combos";
import { counted } from "../app/plural.js";
import { keyName, listWords, subjectName } from "../app/words.js";

/** Names of kept combos, by their key. */
export type ComboNames = ReadonlyMap<string, string>;

/** A part as it is called: `cross, right side`, a saved combo's name, or the score of turns that are no skill. */
export function partName({ subject, side, score }: ComboPart, names: ComboNames): string {
  if (subject === null) return score;
  if (comboSubject(subject) === null) return subjectName(subject, side);
  const name = names.get(subject) ?? "a saved combo";
  return side === "left" ? `${name}, mirrored` : name;
}

/** A part without its side, for a name. */
export function plainName(part: ComboPart, names: ComboNames): string {
  return partName(part.side === "whole" ? part : { ...part, side: "whole" }, names);
}

/** The sides of a combo: the right one is as it is written. */
export function comboSideName(side: SideName): string {
  return side === "left" ? "mirrored" : side === "right" ? "as written" : "";
}

/** A combo as the log names it, or a link of it. */
export function loggedName(name: string, side: SideName, isLink: boolean): string {
  return [isLink ? `a link of ${name}` : name, comboSideName(side)].filter(Boolean).join(", ");
}

function costWords(cost: number): string {
  if (cost === 0) return "costs nothing";
  return cost < 0 ? `saves ${-cost}` : `costs ${cost}`;
}

/** What a repair does, and its price in counts and hand moves. */
export function repairWords({ kind, change, cost, left }: Repair, names: ComboNames): string {
  const what = change.map((part) => (part.subject === "basic-bounce" ? "a bounce" : partName(part, names)));
  const rest = left === 0 ? "" : `; ${left} still wrong elsewhere`;
  const price = `${costWords(cost)}${rest}`;
  switch (kind) {
    case "insert":
      return `Put ${listWords(what)} between (${comboText(change)}): ${price}`;
    case "mirror":
      return `Do what follows on the other side (${comboText(change)}): ${price}`;
    case "mirror-before":
      return `Do what comes before on the other side (${comboText(change)}): ${price}`;
    case "variant":
      return `Take the ${listWords(what)} instead: ${price}`;
    case "variant-before":
      return `Take the ${listWords(what)} before it instead: ${price}`;
  }
}

export const SIDEWAYS_WORDS =
  "Straight from a side swing into a front-back cross is the classic mistake: the rope can lash the neck. While it is not cleared, enter it from an open turn or a cross.";

export const DIFFICULTY_NAMES: Readonly<Record<Difficulty, string>> = {
  any: "any",
  gentle: "gentle",
  middle: "middling",
  hard: "hard",
};

export function looseningWords(one: Loosening): string {
  switch (one.code) {
    case "include":
      return `leave out ${keyName(one.key)}`;
    case "exclude":
      return `allow ${keyName(one.key)}`;
    case "counts":
      return `make it ${one.counts} counts long`;
    case "spacing":
      return one.spacing === 0
        ? "ask for no bounces between hard moves"
        : `space hard moves by ${one.spacing} only`;
    case "difficulty":
      return "take any difficulty";
    case "bounce-ends":
      return "let it start and end without a bounce";
    case "both-sides":
      return "ask for one side only";
  }
}

export function combosFaultWords(fault: CombosFault): string {
  switch (fault.code) {
    case "empty-pool":
      return "Nothing but bounces is cleared yet, so there is nothing to chain. Clear a first skill, or choose another student.";
    case "not-open":
      return `${keyName(fault.key)} is not open here: it is locked, not chosen as the new skill, or outside the rope model. Take it out of what must be in.`;
    case "in-and-out":
      return `${keyName(fault.key)} is both asked for and ruled out. Take it out of one of the two.`;
    case "impossible": {
      if (fault.loosen.length > 0)
        return `No combo keeps all of this; that is proven, not given up on. Any one of these would do: ${listOr(fault.loosen.map(looseningWords))}.`;
      if (fault.together.length > 0)
        return `No combo keeps all of this; that is proven. These together would do: ${listWords(fault.together.map(looseningWords))}.`;
      return "No combo can be made of these skills in so many counts. Choose other counts, or more skills.";
    }
  }
}

const either = new Intl.ListFormat("en", { type: "disjunction" });
function listOr(items: readonly string[]): string {
  return either.format(items);
}

export function abilityWords({ code, lacking, unnamed }: Ability): string {
  const missing = listWords(lacking.map(({ subject, side }) => subjectName(subject, side)));
  const unknown =
    unnamed === 0 ? "" : " Turns that are no skill are judged by what they ask of arms, feet and rope.";
  switch (code) {
    case "now":
      return `could do it now.${unknown}`;
    case "one-new":
      return `all but one: ${missing}, which is open.${unknown}`;
    case "unknown":
      return "is not judged: there are turns in it that no skill leads to.";
    case "not-yet":
      return `lacks ${missing}.${unknown}`;
  }
}

const one = new Intl.NumberFormat("en", { maximumFractionDigits: 1 });

/** Seconds as one says them: `8.4 s`, `1 min 12 s`. */
export function secondsWords(seconds: number): string {
  if (seconds < 60) return `${one.format(seconds)} s`;
  const whole = Math.round(seconds);
  const rest = whole % 60 === 0 ? "" : ` ${whole % 60} s`;
  return `${Math.floor(whole / 60)} min${rest}`;
}

export function balanceWords({ left, right }: Pick<ComboMeasures, "left" | "right">): string {
  if (left + right === 0) return "no sided turns";
  return `${left} left, ${right} right`;
}

/** A step of a combo's ladder: what is done, without its numbers. */
export function stepName(step: LearningStep, links: ReadonlyMap<number, string>): string {
  switch (step.code) {
    case "link":
      return `Link: ${links.get(step.link ?? 0) ?? ""}`;
    case "built":
      return `Built up: ${counted(step.moves, "move")}`;
    case "gap":
      return `Whole, closing ${links.get(step.link ?? 0) ?? ""}`;
    case "whole":
      return "Whole";
    case "mirrored":
      return "Whole, mirrored";
    case "new-step":
      return step.step === "boxer-step" ? "In the boxer step" : "In the run step";
    case "faster":
      return `Faster: ${step.tempo ?? 0} a minute`;
  }
}
