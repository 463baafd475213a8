import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { namesakeOf, namesakeWords, sharingNames } from "./namesake.js";

const named = (id: string, name: string, isArchived = false, sameAs: string | null = null) => ({
  ...{ id, name, isArchived, sameAs },
});

describe("a namesake", () => {
  it("is told by the name whatever its capitals and room, and not by another's accents", () => {
    const all = [named("a", "Zoë Marchbank")];
    expect(namesakeOf("  zoë  marchbank ", all)?.id).toBe("a");
    expect(namesakeOf("Zoe Marchbank", all)).toBeNull();
    expect(namesakeOf("Zoë", all)).toBeNull();
  });

  it("is rather one who comes than one who is archived, and nobody's where no name is given", () => {
    const all = [named("a", "Di", true), named("b", "Di")];
    expect(namesakeOf("Di", all)?.id).toBe("b");
    expect(namesakeOf("di", all.slice(0, 1))?.id).toBe("a");
    expect(namesakeOf(" ", [named("c", " ")])).toBeNull();
  });

  it("of a record that is part of another is whoever is kept", () => {
    const all = [named("a", "Wren Ash"), named("b", "Wren A.", true, "a"), named("c", "Wren", true, "gone")];
    expect(namesakeOf("wren a.", all)?.id).toBe("a");
    expect(namesakeOf("Wren", all)?.id).toBe("c");
  });

  it("is somebody whenever a name is somebody's", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.string({ minLength: 1 }), fc.boolean()), { minLength: 1 }),
        fc.nat(),
        (people, place) => {
          const all = people.map(([name, isArchived], at) => named(String(at), name, isArchived));
          const one = all[place % all.length];
          if (one === undefined || one.name.trim() === "") return;
          const found = namesakeOf(one.name, all);
          expect(found).not.toBeNull();
          if (!one.isArchived) expect(found?.isArchived).toBe(false);
        },
      ),
    );
  });

  it("says what to do instead", () => {
    expect(namesakeWords(named("a", "Di", true))).toMatch(/^Di is archived\. Bring them back/);
    expect(namesakeWords(named("a", "Di"))).toMatch(/^Di is in the list already\./);
  });

  it("is shared by all who have it, and by nobody else", () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom("Di", "di ", "Dí", "Bo", "BO", "Wren")), (names) => {
        const all = names.map((name, at) => ({ id: String(at), name }));
        const alike = (one: string) => all.filter(({ name }) => namesakeOf(name, [named("x", one)]) !== null);
        const shared = all.filter(({ name }) => alike(name).length > 1).map(({ id }) => id);
        expect([...sharingNames(all)].sort()).toEqual(shared.sort());
      }),
    );
  });
});
