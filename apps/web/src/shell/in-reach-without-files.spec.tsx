import { expect, it, jest } from "@jest/globals";
import { fireEvent, screen } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { InReach } from "./in-reach.js";

jest.mock("../finder/index.js", () => {
  throw new Error("Failed to fetch dynamically imported module");
});

it("leaves the page as it is where a window could not be fetched, and gives its keys back", async () => {
  const pressed = jest.fn();
  window.addEventListener("keydown", (event) => pressed(event.key));
  drawn(
    <InReach>
      <p>12 of 40 in a row</p>
    </InReach>,
  );
  fireEvent.keyDown(document.body, { key: "k", code: "KeyK", ctrlKey: true });
  expect(await screen.findByText(/^This could not be opened/)).toBeDefined();
  expect(screen.getByText("12 of 40 in a row")).toBeDefined();
  pressed.mockClear();
  fireEvent.keyDown(document.body, { key: "m" });
  expect(pressed.mock.calls).toEqual([["m"]]);
});
