import { describe, expect, it, jest } from "@jest/globals";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { Finder } from "./finder.js";

const student = { id: "hana", name: "Hana Petrivale", level: 3, archived: false };
const answers = {
  "GET /students": { items: [student] },
  "GET /groups": { items: [] },
  "GET /combos": { items: [] },
  "GET /students/hana/standings": { items: [] },
};

describe("the finder", () => {
  it("goes with Enter where the likest leads, and closes", async () => {
    const onClose = jest.fn();
    const { user, address } = drawn(<Finder onClose={onClose} />, { answers });
    const words = screen.getByRole("combobox");
    await waitFor(() => expect(document.activeElement === words).toBe(true));
    await user.type(words, "hana");
    expect((await screen.findAllByRole("option"))[0]?.textContent).toBe("Hana Petrivalelevel 3");
    await user.keyboard("{Enter}");
    expect(onClose).toHaveBeenCalledTimes(1);
    expect(address()).toBe("/students/hana");
  });

  it("goes on with the arrows to the next of what was found", async () => {
    const { user, address } = drawn(<Finder onClose={() => undefined} />, { answers });
    await user.type(screen.getByRole("combobox"), "hana rec");
    await screen.findByText("Record");
    await user.keyboard("{Enter}");
    expect(address()).toBe("/students/hana/record");
  });

  it("shows how by somebody who is here, and not by anybody else", async () => {
    drawn(<Finder onClose={() => undefined} />, { answers });
    expect(await screen.findByText(/“hana rec” is the record of Hana\./)).toBeDefined();
    cleanup();
    drawn(<Finder onClose={() => undefined} />, { answers: { ...answers, "GET /students": { items: [] } } });
    await screen.findAllByRole("option");
    expect(screen.queryByText(/go straight there/)).toBeNull();
  });

  it("says what to do where nothing has that name", async () => {
    const { user } = drawn(<Finder onClose={() => undefined} />, { answers });
    await user.type(screen.getByRole("combobox"), "qqqq");
    expect(await screen.findByText(/Nothing is called “qqqq”\. Try fewer letters/)).toBeDefined();
    expect(screen.queryAllByRole("option")).toEqual([]);
  });

  it("finds skills while the students are still being read", async () => {
    const { user } = drawn(<Finder onClose={() => undefined} />);
    await user.type(screen.getByRole("combobox"), "criss cross");
    expect((await screen.findAllByRole("option"))[0]?.textContent).toMatch(/^Cross/);
  });
});
