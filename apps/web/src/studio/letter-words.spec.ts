import { describe, expect, it } from "@jest/globals";
import { LETTER_STATES } from "@mirrup/contract";
import { goneWords, stateWords } from "./letter-words.js";

describe("a letter's words", () => {
  it("tell each state from the others, with and without what the mail server said", () => {
    const said = LETTER_STATES.flatMap((state) => [
      stateWords({ state, trouble: null }),
      stateWords({ state, trouble: "Mailbox full" }),
    ]);
    expect(said).toEqual([
      ...["to be handed on", "to be handed on"],
      ...["on its way", "tried again soon: Mailbox full"],
      ...["sent", "sent"],
      ...["not sent", "not sent: Mailbox full"],
    ]);
  });

  it("ask to invite anew where the letter never left", () => {
    expect(goneWords({ state: "failed" })).toMatch(/Invite them again/);
    expect(goneWords({ state: "sent" })).not.toMatch(/Invite/);
  });
});
