import { expect, test } from "@jest/globals";
import { scoreOf } from "@mirrup/core";
import { screen, within } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { FramesPage } from "./frames-page.js";
import { Strip } from "./strip.js";
import { TellingStill } from "./telling-still.js";

test("the frames of a trick are pictures with their words, in time", async () => {
  drawn(<Strip score={scoreOf("sr xr o")} count={4} />, { answers: {} });
  const frames = await screen.findAllByRole("listitem");
  expect(frames.map((frame) => frame.textContent)).toEqual([
    "Rope beside the body: side swing right",
    "Hands there: cross with the right arm on top",
    "Rope under the feet: cross with the right arm on top",
    "Hands there: open",
  ]);
  for (const frame of frames) {
    const parts = [...frame.querySelectorAll("[data-part]")].map((part) => part.getAttribute("data-part"));
    for (const part of ["left", "right", "trunk", "head", "cord", "handle", "shoe"])
      expect(parts).toContain(part);
    expect(frame.innerHTML).not.toMatch(/NaN|undefined/);
  }
});

test("small frames have their words for whoever cannot see them", async () => {
  drawn(<Strip score={scoreOf("o ur o")} count={2} bare />, { answers: {} });
  const names = (await screen.findAllByRole("img")).map((picture) => picture.getAttribute("aria-label"));
  expect(names).toEqual([
    "Hands there: leg-over cross, right leg lifted",
    "Rope under the feet: leg-over cross, right leg lifted",
  ]);
  expect(screen.queryByText(/Hands there/)).toBeNull();
});

test("the moment that tells most says what it is to whoever cannot see it", async () => {
  drawn(<TellingStill score={scoreOf("o ur o")} />, { answers: {} });
  expect(
    await screen.findByRole("img", { name: "Rope under the feet: leg-over cross, right leg lifted" }),
  ).toBeTruthy();
});

test("six frames are a page of their own", async () => {
  drawn(<FramesPage />, { answers: {}, at: "/frames?name=Cross&score=xr+o+o&view=side" });
  expect(await screen.findByRole("heading", { name: "Cross" })).toBeTruthy();
  expect(within(screen.getByRole("list")).getAllByRole("listitem")).toHaveLength(6);
});

test("a page of frames whose address holds no score says what to do", async () => {
  drawn(<FramesPage />, { answers: {}, at: "/frames?score=zz" });
  expect(await screen.findByText(/holds no score that can be read/)).toBeTruthy();
});
