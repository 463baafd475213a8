/**
 * The parts on the bench as an address says them: `double-side-swing:right~,double-under,cross:right*2`.
 * `~` is a skill without the open turn that it ends in, `=` turns that are no skill (`=(o o)/l>l`).
 */
import { comboKey, comboSubject, parseScore, sidesOf, SIDE_NAMES } from "@mirrup/core";
import { closedUp, COMBO_LIMITS, mirrorPart, partOfSkill, type ComboPart } from "@mirrup/core/combos";
import { catalogue } from "../app/catalogue.js";
import { comboPart, type KnownCombo } from "./combo-part.js";

/** Longer benches are kept on the device, not in the address. */
export const LONGEST_ADDRESS = 4000;

function partText({ subject, side, score, times }: ComboPart): string {
  const count = times === 1 ? "" : `*${times}`;
  if (subject === null) return `=${score}${count}`;
  const whole = comboSubject(subject) === null ? partOfSkill(catalogue(), subject, side) : null;
  const closed = whole !== null && whole.score !== score ? "~" : "";
  return `${subject}${side === "whole" ? "" : `:${side}`}${closed}${count}`;
}

export function addressOfParts(parts: readonly ComboPart[]): string {
  return parts.map(partText).join(",");
}

function named(text: string, combos: readonly KnownCombo[]): ComboPart | null {
  const [, name = "", side = "whole", closed = ""] =
    /^((?:combo:|own:)?[a-z0-9-]+)(?::(left|right))?(~?)$/.exec(text) ?? [];
  const sideOf = SIDE_NAMES.find((one) => one === side) ?? "whole";
  const combo = combos.find(({ id }) => comboKey(id) === name);
  if (combo !== undefined) {
    const part = comboPart(combo);
    return side === "left" ? mirrorPart(part) : part;
  }
  const skill = catalogue().skills.get(name);
  if (skill === undefined || !sidesOf(skill).includes(sideOf)) return null;
  const part = partOfSkill(catalogue(), name, sideOf);
  return part !== null && closed === "~" ? closedUp(part) : part;
}

export interface ReadParts {
  readonly parts: readonly ComboPart[];
  /** What of the address names nothing that is known here, as it stands there. */
  readonly unknown: readonly string[];
}

function partOf(text: string, combos: readonly KnownCombo[]): ComboPart | null {
  const [, body = "", count = "1"] = /^(.+?)(?:\*(\d{1,2}))?$/.exec(text) ?? [];
  const times = Math.max(1, Number(count));
  if (!body.startsWith("=")) {
    const part = named(body, combos);
    return part === null ? null : { ...part, times };
  }
  const score = body.slice(1);
  return parseScore(score).ok ? { subject: null, side: "whole", score, times } : null;
}

/** The parts that an address asks for, as many as a combo may have, and what it asks for in vain. */
export function readParts(address: string, combos: readonly KnownCombo[] = []): ReadParts {
  const texts = address.split(",").filter((text) => text !== "");
  const read = texts.slice(0, COMBO_LIMITS.parts).map((text) => ({ text, part: partOf(text, combos) }));
  return {
    parts: read.flatMap(({ part }) => part ?? []),
    unknown: [
      ...read.flatMap(({ text, part }) => (part === null ? [text] : [])),
      ...texts.slice(COMBO_LIMITS.parts),
    ],
  };
}
