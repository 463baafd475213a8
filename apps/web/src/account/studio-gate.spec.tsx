import { afterEach, describe, expect, it } from "@jest/globals";
import { act, cleanup, screen } from "@testing-library/react";
import { drawn, SILENT, signedIn } from "../testing/drawn.js";
import { StudioGate } from "./studio-gate.js";
import { sessionQuery } from "./queries.js";

const gate = (session: () => unknown, stays = false) =>
  drawn(
    <StudioGate stays={stays}>
      <input aria-label="A page" />
    </StudioGate>,
    {
      at: "/today",
      answers: { "GET /auth/session": session, "GET /catalogue": SILENT },
    },
  );
const page = () => screen.findByLabelText("A page");

afterEach(cleanup);

describe("the gate of a studio", () => {
  it("opens once it is known who is there, and shows no page before", async () => {
    let answer: (session: unknown) => void = () => undefined;
    gate(() => new Promise((resolve) => (answer = resolve)));
    expect(screen.getByRole("status").textContent).toBe("Opening …");
    expect(screen.queryByLabelText("A page")).toBeNull();
    await act(async () => {
      await Promise.resolve();
      answer(signedIn("coach"));
    });
    expect(await page()).toBeTruthy();
  });

  it("shows a page where nobody answers, and leaves it and what is typed there when it is asked again", async () => {
    let session: unknown = SILENT;
    const { user, client } = gate(() => session);
    await user.type(await page(), "half a wo");
    const field = await page();
    let answer: (session: unknown) => void = () => undefined;
    session = new Promise((resolve) => (answer = resolve));
    let asking: Promise<void> = Promise.resolve();
    await act(async () => {
      asking = client.refetchQueries({ queryKey: sessionQuery.queryKey });
      await Promise.resolve();
    });
    expect(screen.queryByText("Opening …")).toBeNull();
    expect(await page()).toBe(field);
    await act(async () => {
      answer(signedIn("coach"));
      await asking;
    });
    expect(await page()).toBe(field);
    expect((field as HTMLInputElement).value).toBe("half a wo");
  });

  it("leaves whoever counts at it when their session has ended, and says so beside it", async () => {
    gate(() => ({ ...signedIn("coach"), person: null }), true);
    expect((await screen.findByRole("alert")).textContent).toContain("You are signed out");
    expect(await page()).toBeTruthy();
  });

  it("does not open somebody else's studio", async () => {
    gate(() => ({ ...signedIn("coach"), memberships: [] }));
    expect(await screen.findByRole("heading", { name: "There is no such studio" })).toBeTruthy();
    expect(screen.queryByLabelText("A page")).toBeNull();
  });
});
