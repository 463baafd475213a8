import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { useEffect, useRef } from "react";
import { useReach, useSearchKey } from "../app/reach.js";
import { drawn } from "../testing/drawn.js";
import { InReach } from "./in-reach.js";

const pressed = jest.fn();

/** A page that counts by keys, and may have a search of its own. */
function Page({ hasSearch = false }: { readonly hasSearch?: boolean }) {
  const field = useRef<HTMLInputElement>(null);
  useSearchKey(field);
  useEffect(() => {
    const listener = (event: KeyboardEvent) => pressed(event.key);
    window.addEventListener("keydown", listener);
    return () => window.removeEventListener("keydown", listener);
  }, []);
  const { find } = useReach();
  return (
    <>
      {hasSearch && <input ref={field} aria-label="Here" />}
      <button onClick={find}>Find</button>
    </>
  );
}

function shown(hasSearch = false) {
  return drawn(
    <InReach>
      <Page hasSearch={hasSearch} />
    </InReach>,
    {
      answers: { "GET /students": { items: [] }, "GET /groups": { items: [] }, "GET /combos": { items: [] } },
    },
  );
}
const key = (name: string, more: object = {}) =>
  fireEvent.keyDown(document.activeElement ?? document.body, { key: name, code: name, ...more });
const finder = () => screen.findByRole("combobox", { name: /^Find a student/ });

afterEach(() => {
  cleanup();
  pressed.mockClear();
});

describe("what is in reach of every page", () => {
  it.each([
    ["Ctrl K", () => key("k", { ctrlKey: true, code: "KeyK" })],
    ["/", () => key("/")],
  ])("is the search over everything, by %s", async (_, press) => {
    shown();
    press();
    expect(await finder()).toBeDefined();
  });

  it("is the search by a button, and gone with Escape", async () => {
    const { user } = shown();
    await user.click(screen.getByRole("button", { name: "Find" }));
    await finder();
    await user.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });

  it("leaves / to the page's own search where it has one", () => {
    shown(true);
    key("/");
    expect(document.activeElement === screen.getByLabelText("Here")).toBe(true);
    expect(screen.queryByRole("combobox", { name: /^Find a student/ })).toBeNull();
  });

  it.each([{ shiftKey: true }, {}])("shows the keys by ? (%p)", async (more) => {
    shown();
    key("?", more);
    expect(await screen.findByRole("dialog", { name: "Keys" })).toBeDefined();
  });

  it("lets no key through while the window is on its way", async () => {
    shown();
    key("k", { ctrlKey: true, code: "KeyK" });
    pressed.mockClear();
    key("m");
    key(" ");
    expect(pressed).not.toHaveBeenCalled();
    await finder();
  });

  it("lets no key of an open window through to the page", async () => {
    const { user } = shown();
    await user.keyboard("m");
    expect(pressed.mock.calls).toEqual([["m"]]);
    key("?");
    const keys = await screen.findByRole("dialog", { name: "Keys" });
    pressed.mockClear();
    fireEvent.keyDown(keys, { key: "m" });
    expect(pressed).not.toHaveBeenCalled();
  });
});
