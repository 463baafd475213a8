import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { answered, settled, typedAs, typingOf, type Typing } from "./typing.js";

const words = fc.constantFrom("", "x", "xl", "xl o", "o", "xr");
const steps = fc.oneof(
  { weight: 5, arbitrary: fc.record({ does: fc.constant("types" as const), text: words }) },
  // How many of what was said are passed over, as where a newer way ends an older one.
  { weight: 4, arbitrary: fc.record({ does: fc.constant("comes back" as const), past: fc.nat(2) }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant("is set outside" as const), text: words }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant("is left" as const) }) },
);

const isSaid = (text: string) => text !== "";

describe("what is typed into a field whose value comes back later", () => {
  it("stands as it was typed, until somebody else has set it or it is left", () => {
    fc.assert(
      fc.property(fc.array(steps, { maxLength: 40 }), (history) => {
        let typing: Typing<string> = typingOf("o");
        // The world outside: what is there, and what is on its way to it, as it was said.
        let value = "o";
        let coming: string[] = [];
        // What of that was typed since the field was last left, and what the field is to show.
        let own: string[] = [];
        let shown = "o";
        for (const step of history) {
          if (step.does === "types") {
            if (isSaid(step.text) && step.text !== (coming.at(-1) ?? value)) coming.push(step.text);
            if (isSaid(step.text) && step.text !== (own.at(-1) ?? value)) own.push(step.text);
            typing = typedAs(typing, step.text, isSaid(step.text));
            shown = step.text;
          } else if (step.does === "comes back") {
            const next = coming[Math.min(step.past, coming.length - 1)];
            // What is there already comes back unseen, and is passed over with what comes after it.
            if (next === undefined || next === value) continue;
            coming = coming.slice(coming.indexOf(next) + 1);
            value = next;
            if (!own.includes(next)) shown = next;
            own = own.includes(next) ? own.slice(own.indexOf(next) + 1) : [];
          } else if (step.does === "is set outside") {
            // Nothing that is on its way here, or the same as before, which nobody could tell from it.
            if (own.includes(step.text) || step.text === value) continue;
            value = step.text;
            shown = step.text;
            coming = [];
            own = [];
          } else {
            typing = settled(typing);
            shown = own.at(-1) ?? value;
            own = [];
          }
          typing = answered(typing, value);
          expect(typing.typed).toBe(shown);
          expect(typing.unanswered).toEqual(own);
        }
        // All that is said comes back, and then the field shows what is.
        for (const last of coming) typing = answered(typing, last);
        if (coming.length > 0)
          expect(answered(settled(typing), coming.at(-1) ?? value).typed).toBe(coming.at(-1));
      }),
    );
  });

  it("is what is, where it is left after it was typed there and back, and somebody then sets what was passed by", () => {
    const there = typedAs(typedAs(typingOf(60), 45, true), 60, true);
    expect(answered(settled(there), 45).typed).toBe(45);
  });

  it("is the same object where nothing is news", () => {
    const typing = typingOf("o");
    expect(answered(typing, "o")).toBe(typing);
  });
});
