/** What can be done to the parts on the bench, as values. */
import {
  closedUp,
  COMBO_LIMITS,
  gathered,
  mirrorPart,
  partOfSkill,
  type ComboPart,
} from "@mirrup/core/combos";
import { catalogue } from "../app/catalogue.js";

export type Parts = readonly ComboPart[];

/** More parts at the end; what follows itself is done more often. */
export function added(parts: Parts, more: Parts): Parts {
  return gathered([...parts, ...more]).slice(0, COMBO_LIMITS.parts);
}

export function moved(parts: Parts, from: number, to: number): Parts {
  const part = parts[from];
  if (part === undefined || to < 0 || to >= parts.length) return parts;
  const rest = parts.filter((_, place) => place !== from);
  return [...rest.slice(0, to), part, ...rest.slice(to)];
}

/** The chosen places on the other side; all of them where none is chosen. */
export function mirrored(parts: Parts, chosen: ReadonlySet<number>): Parts {
  return parts.map((part, place) => (chosen.size === 0 || chosen.has(place) ? mirrorPart(part) : part));
}

export function without(parts: Parts, chosen: ReadonlySet<number>): Parts {
  return parts.filter((_, place) => !chosen.has(place));
}

/** The chosen places once more, after the last of them. */
export function doubled(parts: Parts, chosen: ReadonlySet<number>): Parts {
  const last = Math.max(...chosen);
  const again = parts.filter((_, place) => chosen.has(place));
  return [...parts.slice(0, last + 1), ...again, ...parts.slice(last + 1)].slice(0, COMBO_LIMITS.parts);
}

export function repeated(parts: Parts, place: number, times: number): Parts {
  const part = parts[place];
  if (part === undefined || times < 1 || times > COMBO_LIMITS.times) return parts;
  return parts.with(place, { ...part, times });
}

/** Without the open turn that a part ends in, or with it again; null where it has none. */
export function opened(part: ComboPart): ComboPart | null {
  const closed = closedUp(part);
  if (closed !== null) return closed;
  const whole = part.subject === null ? null : partOfSkill(catalogue(), part.subject, part.side);
  return whole === null || whole.score === part.score ? null : { ...whole, times: part.times };
}

/** A name to begin with: the moves, each once, without the bounces and the sides. */
export function nameOfParts(parts: Parts, nameOf: (part: ComboPart) => string): string {
  const moves = [...new Set(parts.filter((part) => part.subject !== "basic-bounce").map(nameOf))];
  const text = moves.slice(0, 3).join(", ") + (moves.length > 3 ? " …" : "");
  const name = text === "" ? "Bounces" : text.charAt(0).toUpperCase() + text.slice(1);
  return name.slice(0, COMBO_LIMITS.nameLength);
}
