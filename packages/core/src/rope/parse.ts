/**
 * Text to score: one small function a rule of the grammar over the characters. Linear in the text;
 * the depth of the recursion is bounded by the limit on brackets. The first thing that does not fit
 * ends it, with its place and what was expected.
 */
import { ARMS, armsNamed } from "./arms.js";
import type { RuleFault } from "./fault.js";
import { FEET, gestureNamed, type Foot, type Gesture } from "./feet.js";
import { LIMITS, type Beat, type Direction, type Item, type Score, type Turn } from "./score.js";

export type ParsedScore =
  { readonly ok: true; readonly score: Score } | { readonly ok: false; readonly fault: RuleFault };

class ParseFault extends Error {
  constructor(
    readonly from: number,
    readonly to: number,
    message: string,
  ) {
    super(message);
  }
}

const SPACE = 32;
const TAB = 9;
const LF = 10;
const CR = 13;
const HASH = 35;
const A = 97;
const Z = 122;
const ZERO = 48;
const NINE = 57;

interface Items {
  readonly items: readonly Item[];
  readonly beats: number;
}

class Parser {
  private at = 0;
  private depth = 0;

  constructor(private readonly text: string) {}

  score(): Score {
    if (this.text.length > LIMITS.textLength) {
      this.fail(
        LIMITS.textLength,
        this.text.length,
        `A score may have ${LIMITS.textLength} characters; this one has ${this.text.length}.`,
      );
    }
    this.space();
    let direction: Direction = "forward";
    if (this.take("<")) {
      direction = "backward";
      this.space();
    }
    const { items } = this.items("");
    return { direction, items };
  }

  /** `item { item }` up to `close`, or to the end for "". */
  private items(close: "" | "]"): Items {
    const items: Item[] = [];
    let beats = 0;
    let spaced = true;
    for (;;) {
      const start = this.at;
      if (this.at >= this.text.length || (close !== "" && this.text[this.at] === close)) break;
      if (!spaced) this.unexpected("a space before the next beat");
      const { item, beats: more } = this.item();
      beats += more;
      if (beats > LIMITS.beats) {
        this.fail(
          start,
          this.at,
          `A score may have ${LIMITS.beats} beats when its repeats are written out; this goes past that.`,
        );
      }
      items.push(item);
      spaced = this.space();
    }
    if (items.length === 0) this.unexpected("a beat, such as o");
    return { items, beats };
  }

  private item(): { readonly item: Item; readonly beats: number } {
    const start = this.at;
    const unit = this.text[start] === "[" ? this.group() : { unit: this.beat(), beats: 1 };
    const count = this.take("*") ? this.count() : null;
    const beats = unit.beats * (count ?? 1);
    return { item: { unit: unit.unit, count }, beats };
  }

  private group(): { readonly unit: Item["unit"]; readonly beats: number } {
    const from = this.at;
    if (this.depth === LIMITS.depth) {
      this.fail(from, from + 1, `Brackets may stand ${LIMITS.depth} deep; this one is deeper.`);
    }
    this.depth += 1;
    this.at += 1;
    this.space();
    const { items, beats } = this.items("]");
    if (!this.take("]")) this.unexpected("] to close the bracket");
    this.depth -= 1;
    return { unit: { kind: "group", items, from, to: this.at }, beats };
  }

  private beat(): Beat {
    const from = this.at;
    const turns = this.body();
    let takeOff: Foot | null = null;
    let landing: Foot | null = null;
    if (this.take("/")) {
      landing = this.foot();
      if (this.take(">")) {
        takeOff = landing;
        landing = this.foot();
      }
    }
    const gestures: Gesture[] = [];
    while (this.take("+")) gestures.push(this.gesture());
    return { kind: "beat", turns, takeOff, landing, gestures, from, to: this.at };
  }

  private body(): readonly Turn[] {
    if (this.take(".")) return [];
    if (!this.take("(")) return [this.turn("a beat: arms such as o, a multiple such as (o o), or .")];
    const turns: Turn[] = [];
    let spaced = true;
    this.space();
    while (this.text[this.at] !== ")") {
      if (turns.length > 0 && this.at >= this.text.length)
        this.unexpected("another turn, or ) to close the multiple");
      if (turns.length > 0 && !spaced) this.unexpected("a space before the next turn");
      const turn = this.turn("a turn such as o, or ) to close the multiple");
      if (turns.length === LIMITS.turnsInBeat) {
        this.fail(turn.from, turn.to, `A beat may have ${LIMITS.turnsInBeat} turns; this is one more.`);
      }
      turns.push(turn);
      spaced = this.space();
    }
    if (turns.length === 0) this.unexpected("a turn such as o");
    this.at += 1;
    return turns;
  }

  private turn(expected: string): Turn {
    const from = this.at;
    const word = this.word();
    const arms = armsNamed(word);
    if (arms === undefined) {
      if (word === "") this.unexpected(expected);
      this.fail(
        from,
        this.at,
        `“${word}” names no arms. They are: ${ARMS.join(", ")}, and x for a cross whose top arm is left open.`,
      );
    }
    const caught = this.take("!");
    return { arms, caught, from, to: this.at };
  }

  private foot(): Foot {
    const from = this.at;
    const word = this.word();
    const foot = FEET.find((one) => one === word);
    if (foot === undefined) {
      if (word === "") this.unexpected("a foot: b, l or r");
      this.fail(from, this.at, `“${word}” is no foot. Write b for both, l for left or r for right.`);
    }
    return foot;
  }

  private gesture(): Gesture {
    const from = this.at;
    const word = this.word();
    const gesture = gestureNamed(word);
    if (gesture === undefined) {
      if (word === "") this.unexpected("what the feet do, such as apart");
      this.fail(from, this.at, `“${word}” names nothing that the feet or the body do.`);
    }
    return gesture;
  }

  private count(): number {
    const from = this.at;
    let value = 0;
    for (let code = this.code(); code >= ZERO && code <= NINE; code = this.code()) {
      // Long digits stay finite: past the limit the value no longer matters.
      value = Math.min(value * 10 + code - ZERO, LIMITS.count + 1);
      this.at += 1;
    }
    if (this.at === from) this.unexpected(`how many times: 1 to ${LIMITS.count}`);
    if (this.text.charCodeAt(from) === ZERO || value > LIMITS.count) {
      this.fail(from, this.at, `A repeat is a number from 1 to ${LIMITS.count}, without a leading zero.`);
    }
    return value;
  }

  /** NaN past the end, which is no character and in no range of them. */
  private code(): number {
    return this.text.charCodeAt(this.at);
  }

  private word(): string {
    const from = this.at;
    for (let code = this.code(); code >= A && code <= Z; code = this.code()) this.at += 1;
    return this.text.slice(from, this.at);
  }

  private take(character: string): boolean {
    if (this.text[this.at] !== character) return false;
    this.at += 1;
    return true;
  }

  /** Skips white space and comments; tells whether there was any. */
  private space(): boolean {
    const from = this.at;
    for (;;) {
      const code = this.code();
      if (code === SPACE || code === LF || code === TAB || code === CR) {
        this.at += 1;
      } else if (code === HASH) {
        while (this.at < this.text.length && this.code() !== LF && this.code() !== CR) this.at += 1;
      } else {
        return this.at > from;
      }
    }
  }

  private unexpected(expected: string): never {
    const point = this.text.codePointAt(this.at);
    if (point === undefined) this.fail(this.at, this.at, `The score ends here; expected ${expected}.`);
    const found = String.fromCodePoint(point);
    this.fail(this.at, this.at + found.length, `Found “${found}”; expected ${expected}.`);
  }

  private fail(from: number, to: number, message: string): never {
    throw new ParseFault(from, to, message);
  }
}

/** Reads a score. Any text whatever is answered, in time linear in its length (at most 100,000 units). */
export function parseScore(text: string): ParsedScore {
  try {
    return { ok: true, score: new Parser(text).score() };
  } catch (error) {
    if (!(error instanceof ParseFault)) throw error;
    const { from, to, message } = error;
    return { ok: false, fault: { code: "parse", beat: null, turn: null, from, to, message } };
  }
}

/** Reads a score of our own data. Throws a `SyntaxError` that quotes it where it does not parse. */
export function scoreOf(text: string): Score {
  const parsed = parseScore(text);
  if (parsed.ok) return parsed.score;
  throw new SyntaxError(`“${text}” is no score: ${parsed.fault.message}`);
}
