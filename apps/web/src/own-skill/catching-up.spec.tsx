import { afterEach, describe, expect, it } from "@jest/globals";
import type { CatchingUpView, Membership } from "@mirrup/contract";
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, signedIn } from "../testing/drawn.js";
import { CatchingUp } from "./catching-up.js";

afterEach(cleanup);

/** Each time that it is asked it answers the next, and the last from then on. */
function shown(answers: readonly CatchingUpView[], role: Membership["role"] = "coach") {
  let asked = 0;
  const next = () => answers[Math.min(asked++, answers.length - 1)];
  drawn(<CatchingUp />, {
    answers: { "GET /auth/session": signedIn(role), "GET /catalogue/catching-up": next },
  });
  return () => asked;
}

describe("records that are being read by what is taught now", () => {
  it("are counted until all are, and then nothing is said and nothing asked", async () => {
    const asked = shown([
      { students: 24, behind: 10 },
      { students: 24, behind: 0 },
    ]);
    expect((await screen.findByRole("status")).textContent).toContain("14 of 24 students");
    expect(screen.getByRole("progressbar").getAttribute("aria-valuenow")).toMatch(/^58/);
    await waitFor(() => expect(screen.queryByRole("status")).toBeNull());
    expect(asked()).toBe(2);
  });

  it("are nobody's business who may not teach", async () => {
    const asked = shown([{ students: 24, behind: 10 }], "viewer");
    await act(async () => {
      await new Promise((done) => setTimeout(done, 50));
    });
    expect(asked()).toBe(0);
    expect(screen.queryByRole("status")).toBeNull();
  });
});
