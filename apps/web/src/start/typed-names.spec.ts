import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { namesIn } from "./typed-names.js";

describe("typed names", () => {
  it("are one to a line, without what a copied list has beside them", () => {
    const text = "1. Ada Fenn\n 2) Björn  Wick \r\n\n- Cleo\tblue\n• Dov; 2016\n*Eli";
    expect(namesIn(text, []).names).toEqual(["Ada Fenn", "Björn Wick", "Cleo", "Dov", "Eli"]);
  });

  it("are told from those who are here, and from each other, whatever their capitals", () => {
    expect(namesIn("ada fenn\nZoe\nZoë\nZOE", ["Ada Fenn"])).toEqual({
      names: ["Zoe", "Zoë"],
      twins: ["ada fenn", "ZOE"],
    });
  });

  it("keep a name that has a comma, a hyphen or a full stop in it", () => {
    const names = ["Fenn, Ada", "Anne-Lise", "J. P. Wick", "3Jane"];
    expect(namesIn(names.join("\n"), []).names).toEqual(names);
  });

  it("are all there once, however often they are sent: who was stored is a twin", () => {
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[A-Za-zäöü ]{0,12}$/)), (lines) => {
        const { names, twins } = namesIn(lines.join("\n"), []);
        const written = lines.filter((line) => line.trim() !== "").length;
        expect(names.length + twins.length).toBe(written);
        expect(namesIn(lines.join("\n"), names)).toEqual({ names: [], twins: expect.anything() });
      }),
    );
  });
});
