import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { drawn, signedIn } from "../testing/drawn.js";
import { Archive } from "./archive.js";

interface Asked {
  readonly path: string;
  readonly method: string;
  readonly body: unknown;
}
let asked: Asked[] = [];

/** A server that answers with a file, or with what it is told to. */
function answering(answer: () => Promise<Partial<Response>>): void {
  Object.assign(globalThis, {
    fetch: (input: unknown, init: RequestInit = {}) => {
      const path = String(input);
      if (path === "/api/auth/session")
        return Promise.resolve({
          ...{ ok: true, status: 200, headers: new Headers() },
          json: () => Promise.resolve(signedIn("owner")),
        });
      asked.push({ path, method: init.method ?? "GET", body: init.body });
      return answer();
    },
  });
}
const refusal = (status: number, detail: string) =>
  Promise.resolve({
    ...{ ok: false, status },
    json: () => Promise.resolve({ type: "bad-archive", title: "", detail, status }),
  });

beforeEach(() => {
  asked = [];
  Object.assign(URL, { createObjectURL: jest.fn(() => "blob:one"), revokeObjectURL: jest.fn() });
});
afterEach(cleanup);

const file = new File(["x"], "studio.tar.gz", { type: "application/gzip" });

describe("the whole studio", () => {
  it("is saved as a file of its name", async () => {
    const names: string[] = [];
    const click = jest.spyOn(HTMLAnchorElement.prototype, "click").mockImplementation(function named(
      this: HTMLAnchorElement,
    ) {
      names.push(this.download);
    });
    const { user } = drawn(<Archive />, { answers: { "GET /auth/session": signedIn("owner") } });
    answering(() => Promise.resolve({ ok: true, status: 200, blob: () => Promise.resolve(new Blob(["x"])) }));
    await user.click(await screen.findByRole("button", { name: "Save the studio" }));
    await waitFor(() => expect(names).toHaveLength(1));
    expect(names[0]).toMatch(/^(tannery-yard|studio)\.tar\.gz$/);
    expect(asked).toMatchObject([{ path: "/api/studio/archive", method: "GET" }]);
    click.mockRestore();
  });

  it("is read from a file, and says how much that was", async () => {
    const { user } = drawn(<Archive />, { answers: { "GET /auth/session": signedIn("owner") } });
    answering(() =>
      Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve({ students: 3, sets: 1200 }) }),
    );
    const input = document.querySelector("input[type=file]");
    if (!(input instanceof HTMLInputElement)) throw new Error("no field for a file");
    await user.upload(input, file);
    expect(await screen.findByText("Read: 3 students with 1,200 sets.")).toBeTruthy();
    expect(asked.at(-1)).toMatchObject({ path: "/api/studio/archive", method: "POST", body: file });
  });

  it("says in the server's words why a file was not read", async () => {
    const { user } = drawn(<Archive />, { answers: { "GET /auth/session": signedIn("owner") } });
    answering(() => refusal(422, "The archive was not read, and nothing of it was kept. It is damaged."));
    const input = document.querySelector("input[type=file]");
    if (!(input instanceof HTMLInputElement)) throw new Error("no field for a file");
    await user.upload(input, file);
    expect((await screen.findByRole("alert")).textContent).toContain("It is damaged.");
  });

  it("can be stopped while it is gathered", async () => {
    const { user } = drawn(<Archive />, { answers: { "GET /auth/session": signedIn("owner") } });
    answering(
      () => new Promise((_answer, fail) => setTimeout(() => fail(new DOMException("", "AbortError")), 50)),
    );
    await user.click(await screen.findByRole("button", { name: "Save the studio" }));
    expect(await screen.findByText("Everything is being gathered …")).toBeTruthy();
    expect((await screen.findByRole("alert")).textContent).toBe("It was stopped.");
  });

  it("says how it went though the page was made anew in the middle of it", async () => {
    function Page() {
      const [times, setTimes] = useState(0);
      return (
        <>
          <button onClick={() => setTimes(times + 1)}>Anew</button>
          <Archive key={times} />
        </>
      );
    }
    const { user } = drawn(<Page />, { answers: { "GET /auth/session": signedIn("owner") } });
    let finish: () => void = () => undefined;
    answering(
      () =>
        new Promise((resolve) => {
          const json = () => Promise.resolve({ students: 2, sets: 40 });
          finish = () => resolve({ ok: true, status: 200, headers: new Headers(), json });
        }),
    );
    await screen.findByRole("button", { name: "Read a saved studio" });
    const input = document.querySelector<HTMLInputElement>('input[type="file"]');
    if (input === null) throw new Error("There is nothing to choose a file with.");
    await user.upload(input, file);
    expect(await screen.findByText("The file is being read …")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Anew" }));
    expect(screen.getByText("The file is being read …")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Stop" })).toBeTruthy();
    finish();
    expect(await screen.findByText("Read: 2 students with 40 sets.")).toBeTruthy();
  });
});
