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
        // The world outside: what is there, and what is on its way, as it was said.
        let value = "o";
        let coming: string[] = [];
        let shown = "o";
        for (const step of history) {
          if (step.does === "types") {
            const news = isSaid(step.text) && step.text !== (coming.at(-1) ?? value);
            typing = typedAs(typing, step.text, isSaid(step.text));
            if (news) coming.push(step.text);
            shown = step.text;
          } else if (step.does === "comes back") {
            const next = coming[Math.min(step.past, coming.length - 1)];
            // What is there already comes back unseen, and is passed over with what comes after it.
            if (next === undefined || next === value) continue;
            coming = coming.slice(coming.indexOf(next) + 1);
            value = next;
          } else if (step.does === "is set outside") {
            // Nothing that is on its way here, or the same as before, which nobody could tell from it.
            if (coming.includes(step.text) || step.text === value) continue;
            value = step.text;
            shown = step.text;
            coming = [];
          } else {
            typing = settled(typing);
            shown = coming.at(-1) ?? value;
          }
          typing = answered(typing, value);
          expect(typing.typed).toBe(shown);
          expect(typing.unanswered).toEqual(coming);
        }
        // All that is said comes back, and then the field shows what is.
        for (const last of coming) typing = answered(typing, last);
        expect(settled(typing).typed).toBe(coming.at(-1) ?? value);
      }),
    );
  });

  it("is the same object where nothing is news", () => {
    const typing = typingOf("o");
    expect(answered(typing, "o")).toBe(typing);
  });
});
