import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { drawn, STUDIO_ID } from "../testing/drawn.js";
import { pathsOf } from "./paths.js";
import { PageLinks } from "./page-links.js";

const paths = pathsOf(STUDIO_ID);
const LINKS = [
  { to: paths.combos, name: "Shelf", end: true },
  { to: paths.comboPage("bench"), name: "Bench" },
];

afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});

describe("the links between the pages of a frame", () => {
  it("brings the open one into sight, and no other", async () => {
    const shown: string[] = [];
    jest.spyOn(HTMLElement.prototype, "scrollIntoView").mockImplementation(function note(this: HTMLElement) {
      shown.push(this.textContent);
    });
    const { user } = drawn(<PageLinks label="Pages" links={LINKS} />, { at: "/combos" });
    expect(screen.getByRole("link", { current: "page" }).textContent).toBe("Shelf");
    await user.click(screen.getByRole("link", { name: "Bench" }));
    expect(screen.getAllByRole("link", { current: "page" })).toHaveLength(1);
    expect(shown).toEqual(["Shelf", "Bench"]);
  });
});
