import { describe, expect, it } from "@jest/globals";
import { changeOf } from "./account-change.js";

const PERSON = { id: "p", name: "Ada Rowan", email: "ada@hall.example" };
const typed = (over: object) => ({ name: "Ada Rowan", email: "ada@hall.example", current: "", ...over });

describe("what was typed of one's account", () => {
  it("is no change where it is what it was, spaces and capitals aside", () => {
    expect(changeOf(PERSON, typed({ name: " Ada Rowan ", email: "Ada@Hall.example", current: "x" }))).toEqual(
      {},
    );
  });

  it("asks for no password where only the name is another", () => {
    expect(changeOf(PERSON, typed({ name: "Ada Alder", current: "typed by mistake" }))).toEqual({
      name: "Ada Alder",
    });
  });

  it("goes with the password where the e-mail is another", () => {
    expect(changeOf(PERSON, typed({ email: "new@hall.example", current: "secret" }))).toEqual({
      email: "new@hall.example",
      current: "secret",
    });
  });
});
