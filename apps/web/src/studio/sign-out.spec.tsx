import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { act, cleanup, screen, waitFor, within } from "@testing-library/react";
import { setOf } from "../device/testing.js";
import { newRun, withEntry } from "../app/floor-run.js";
import { dropRun, keepRun, outbox, saySets } from "../device/index.js";
import { drawn, Refused, SILENT } from "../testing/drawn.js";
import { emptyOutbox } from "../testing/outbox.js";
import { SignOut } from "./sign-out.js";

beforeEach(() => outbox.read());
afterEach(async () => {
  await emptyOutbox();
  cleanup();
});

const press = (name: string) => screen.getByRole("button", { name });

describe("signing out", () => {
  it("leaves for the page of signing in, with nothing of what was read", async () => {
    const view = drawn(<SignOut />, { answers: { "POST /auth/sign-out": { done: true } } });
    view.client.setQueryData(["students"], [{ id: "ada" }]);
    await view.user.click(press("Sign out"));
    await waitFor(() => expect(view.client.getQueryData(["students"])).toBeUndefined());
    expect(view.sent.map(({ path }) => path)).toEqual(["/auth/sign-out"]);
  });

  it("is one press, and can be pressed again where nobody answered", async () => {
    let answer: (value: unknown) => void = () => undefined;
    const { user, sent, client } = drawn(<SignOut />, {
      answers: {
        "POST /auth/sign-out": () => new Promise((resolve) => (answer = resolve)),
        "POST /auth/sign-out-everywhere": SILENT,
      },
    });
    client.setQueryData(["students"], [{ id: "ada" }]);
    await user.click(press("Sign out everywhere"));
    expect((await screen.findByRole("alert")).textContent).toBe("Mirrup's server does not answer just now.");
    expect(client.getQueryData(["students"])).toBeDefined();
    await user.click(press("Sign out"));
    expect(screen.queryByRole("alert")).toBeNull();
    expect(press("Sign out").hasAttribute("disabled")).toBe(true);
    await user.click(press("Sign out"));
    await user.click(press("Sign out everywhere"));
    expect(sent.map(({ path }) => path)).toEqual(["/auth/sign-out-everywhere", "/auth/sign-out"]);
    await act(async () => {
      answer({ done: true });
      await Promise.resolve();
    });
    await waitFor(() => expect(client.getQueryData(["students"])).toBeUndefined());
  });

  it("warns of what waits on the device, and stays or goes as is said", async () => {
    const { user, sent } = drawn(<SignOut />, {
      answers: {
        "POST /sets": SILENT,
        "GET /health": SILENT,
        "POST /auth/sign-out": new Refused(503, "There is too much to do just now."),
      },
    });
    await act(() => saySets([setOf("0199c1b2-0000-7000-8000-0000000000aa", "ada")]));
    const leaving = () => sent.filter(({ path }) => path.startsWith("/auth"));
    await user.click(press("Sign out"));
    const asked = await screen.findByRole("dialog", { name: "Not everything is sent" });
    expect(asked.textContent).toContain("1 set waits on this device still, and is sent");
    await user.click(within(asked).getByRole("button", { name: "Stay" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(leaving()).toEqual([]);
    await user.click(press("Sign out"));
    await user.click(await screen.findByRole("button", { name: "Sign out all the same" }));
    expect((await screen.findByRole("alert")).textContent).toBe("Mirrup's server does not answer just now.");
    expect(leaving()).toHaveLength(1);
    expect(outbox.current().waiting).toHaveLength(1);
  });

  it("warns of a set that was counted and not finished", async () => {
    const run = withEntry(
      newRun("left", { kind: "streak", count: 10 }, Date.now()),
      { kind: "clean" },
      Date.now(),
    );
    await keepRun("coach ada cross left", run);
    const { user, sent } = drawn(<SignOut />, { answers: { "POST /auth/sign-out": { done: true } } });
    await act(() => new Promise((resolve) => setTimeout(resolve, 50)));
    await user.click(press("Sign out"));
    const asked = await screen.findByRole("dialog", { name: "Not everything is finished" });
    expect(asked.textContent).toContain(
      "1 set that was counted here is not finished. It stays on this device",
    );
    expect(asked.textContent).not.toContain("waits");
    await user.click(within(asked).getByRole("button", { name: "Sign out all the same" }));
    await waitFor(() => expect(sent.map(({ path }) => path)).toEqual(["/auth/sign-out"]));
    await dropRun("coach ada cross left");
  });
});
