import { expect, test } from "@jest/globals";
import { coachingOf } from "@mirrup/catalogue";
import { DRILL_KINDS, parseDrill, skillOf, type DrillWords } from "@mirrup/core";
import { screen } from "@testing-library/react";
import fc from "fast-check";
import { useState } from "react";
import { catalogue } from "../app/catalogue.js";
import { drawn } from "../testing/drawn.js";
import { DrillWordsField, withWords } from "./drill-words-field.js";

let kept: readonly DrillWords[] = [];

function Field() {
  const [value, setValue] = useState<readonly DrillWords[]>([]);
  return (
    <DrillWordsField
      value={value}
      skill={skillOf(catalogue(), "cross")}
      kinds={["shadow", "streak"]}
      onChange={(next) => {
        kept = next;
        setValue(next);
      }}
    />
  );
}

test("words for one drill are typed beside what is usually said, and gone once they are deleted", async () => {
  const { user } = drawn(<Field />, { answers: {} });
  expect(screen.queryByLabelText("Say in this drill")).toBeNull();
  await user.selectOptions(screen.getByLabelText("Words for one drill"), "streak");
  const usual = coachingOf(
    skillOf(catalogue(), "cross"),
    parseDrill({ kind: "streak" }) ?? { kind: "hold", seconds: 1 },
  );
  expect(screen.getByText(`Usually: ${usual.say}`)).toBeTruthy();
  await user.type(screen.getByLabelText("Say in this drill"), "Count in sevens.");
  expect(kept).toEqual([{ kind: "streak", say: "Count in sevens." }]);
  expect(screen.getByRole("option", { name: /in a row.*\(in our words\)$/i })).toBeTruthy();
  // What another says stands beside it.
  await user.selectOptions(screen.getByLabelText("Words for one drill"), "shadow");
  expect(screen.getByLabelText<HTMLInputElement>("Say in this drill").value).toBe("");
  await user.type(screen.getByLabelText("Look at in this drill"), "Knees");
  expect(kept.map(({ kind }) => kind)).toEqual(["shadow", "streak"]);
  await user.clear(screen.getByLabelText("Look at in this drill"));
  expect(kept.map(({ kind }) => kind)).toEqual(["streak"]);
});

test("whatever is typed in whatever order, each drill is named once, in the ladder's order, and says something", () => {
  const words = fc.record({
    kind: fc.constantFrom(...DRILL_KINDS),
    say: fc.constantFrom("", "a", "b"),
    look: fc.constantFrom("", "c"),
  });
  fc.assert(
    fc.property(fc.array(words), (typed) => {
      const all = typed.reduce<readonly DrillWords[]>(withWords, []);
      const places = all.map(({ kind }) => DRILL_KINDS.indexOf(kind));
      expect(places).toEqual([...new Set(places)].sort((one, other) => one - other));
      for (const { kind, say = "", look = "" } of all) {
        expect(say + look).not.toBe("");
        const last = typed.findLast((one) => one.kind === kind);
        expect([say, look]).toEqual([last?.say, last?.look]);
      }
    }),
  );
});
