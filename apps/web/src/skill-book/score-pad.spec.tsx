import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { useState } from "react";
import { drawn } from "../testing/drawn.js";
import { ScorePad } from "./score-pad.js";

function Played({ text: first }: { readonly text: string }) {
  const [text, setText] = useState(first);
  return (
    <>
      <output>{text}</output>
      <ScorePad text={text} onChange={setText} />
    </>
  );
}
const pad = (text = "") => drawn(<Played text={text} />);
const text = () => screen.getByRole("status").textContent;
const button = (name: string) => screen.getByRole("button", { name });

afterEach(cleanup);

describe("a score played on the pad", () => {
  it("is written press by press, more turns in one jump, on the feet that are chosen", async () => {
    const { user } = pad();
    expect(button("Take the last back")).toHaveProperty("disabled", true);
    await user.click(button("Side swing right"));
    await user.click(button("Open"));
    await user.click(screen.getByLabelText("in the same jump"));
    await user.click(button("Cross with the right arm on top"));
    expect(text()).toBe("sr (o xr)");
    await user.click(screen.getByRole("radio", { name: "right foot" }));
    await user.selectOptions(screen.getByLabelText("What the body does in the last jump"), "in a squat");
    expect(text()).toBe("sr (o xr)/r+squat");
    await user.selectOptions(
      screen.getByLabelText("What the body does in the last jump"),
      "and nothing else",
    );
    await user.click(button("Stop the rope"));
    expect(text()).toBe("sr (o xr!)/r");
    await user.click(button("Rope goes on"));
    await user.click(button("Turn it backward"));
    expect(text()).toBe("< sr (o xr)/r");
    await user.click(button("Take the last back"));
    expect(text()).toBe("< sr o/r");
  });

  it("lets nothing be pressed that cannot follow, and says why", () => {
    pad("sr");
    const wrap = button("Wrap on the left arm");
    expect(wrap).toHaveProperty("disabled", true);
    expect(wrap.getAttribute("title")).toMatch(/\.$/);
    expect(button("Open")).toHaveProperty("disabled", false);
  });

  it("asks for a score that can be read, and leaves a long one to be typed", () => {
    pad("xr (");
    expect(screen.getByText(/^Mend the score above/)).toBeDefined();
    cleanup();
    pad("o*65");
    expect(screen.getByText("A score this long is typed.")).toBeDefined();
  });
});
