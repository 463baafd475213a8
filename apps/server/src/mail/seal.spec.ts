import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { Seal } from "./seal.js";

const seal = new Seal("a secret of this test");

describe("a sealed letter", () => {
  it("opens to what was closed, whatever it says, and is never closed alike twice", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 60 }), (text) => {
        const [one, other] = [seal.close(text), seal.close(text)];
        expect(seal.open(one)).toBe(text);
        expect(one).not.toBe(other);
      }),
    );
  });

  it("says nothing of itself to who has not the secret, nor after one letter of it was changed", () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1 }), fc.nat(), (text, place) => {
        const closed = seal.close(text);
        expect(new Seal("another secret").open(closed)).toBeNull();
        const body = closed.slice("sealed:".length);
        // The last letters may be padding, which says nothing.
        const at = place % Math.max(1, body.length - 4);
        const changed = `${body.slice(0, at)}${body[at] === "A" ? "B" : "A"}${body.slice(at + 1)}`;
        expect(seal.open(`sealed:${changed}`)).toBeNull();
      }),
    );
  });

  it("of an older Mirrup lies open, and what is damaged is told as what cannot be read", () => {
    expect(seal.open("Open this within seven days")).toBe("Open this within seven days");
    for (const damaged of ["sealed:", "sealed:AAAA", "sealed:not base64 at all"])
      expect(seal.open(damaged)).toBeNull();
  });
});
