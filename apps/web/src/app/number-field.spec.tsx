import { afterEach, describe, expect, it } from "@jest/globals";
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { drawn } from "../testing/drawn.js";
import { NumberField } from "./number-field.js";

const LABEL = "Tempo";
const field = () => screen.getByRole("textbox", { name: LABEL });
const standing = () => (field() as HTMLInputElement).value;

/** Where the value is: it comes back when `arrive` is called, as an address does. */
function kept(first: number) {
  const said: number[] = [];
  let arrive: (value: number) => void = () => undefined;
  function Kept() {
    const [value, setValue] = useState(first);
    arrive = setValue;
    return <NumberField label={LABEL} min={60} max={240} value={value} onSay={(now) => said.push(now)} />;
  }
  return { ...drawn(<Kept />, {}), said, arrive: (value: number) => act(() => arrive(value)) };
}

afterEach(cleanup);

describe("a number within its bounds", () => {
  it("is typed over what is too little on the way, and said once it is within", async () => {
    const { user, said } = kept(120);
    await user.clear(field());
    await user.type(field(), "1");
    expect(said).toEqual([]);
    expect(standing()).toBe("1");
    await user.type(field(), "44");
    expect(said).toEqual([144]);
    expect(standing()).toBe("144");
  });

  it("is not moved under the hand by what was said and comes back late", async () => {
    const { user, said, arrive } = kept(120);
    await user.clear(field());
    await user.type(field(), "96");
    await user.type(field(), "{Backspace}8");
    expect(said).toEqual([96, 98]);
    arrive(96);
    expect(standing()).toBe("98");
    arrive(98);
    expect(standing()).toBe("98");
    arrive(132);
    expect(standing()).toBe("132");
  });

  it("is brought within when it is left, and is what it was where nothing was typed", async () => {
    const { user, said } = kept(120);
    await user.clear(field());
    await user.tab();
    expect(standing()).toBe("120");
    expect(said).toEqual([]);
    await user.clear(field());
    await user.type(field(), "7");
    await user.tab();
    expect(said).toEqual([60]);
    expect(standing()).toBe("60");
  });

  it("may be empty where that says something", async () => {
    const said: (number | null)[] = [];
    const { user } = drawn(
      <NumberField label={LABEL} mayBeEmpty min={1} max={7} value={3} onSay={(now) => said.push(now)} />,
      {},
    );
    await user.clear(field());
    await user.tab();
    expect(said).toEqual([null]);
    expect(standing()).toBe("");
  });

  it("waits for a pause where a number on the way would do harm, and for no longer than until it is left", async () => {
    const said: number[] = [];
    const { user } = drawn(
      <NumberField label={LABEL} afterPause min={0} max={240} value={60} onSay={(now) => said.push(now)} />,
      {},
    );
    await user.clear(field());
    await user.type(field(), "45");
    expect(said).toEqual([]);
    await user.tab();
    expect(said).toEqual([45]);
    await user.clear(field());
    await user.type(field(), "50{Enter}");
    expect(said).toEqual([45, 50]);
    await user.clear(field());
    await user.type(field(), "12");
    await waitFor(() => expect(said).toEqual([45, 50, 12]));
  });
});
