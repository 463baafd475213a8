import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { act, cleanup, render, screen } from "@testing-library/react";
import { MantineProvider } from "@mantine/core";
import fc from "fast-check";
import { useEffect } from "react";
import { MemoryRouter, useNavigate, type NavigateFunction } from "react-router";
import { PageChange } from "./page-change.js";

let go: NavigateFunction = () => undefined;

function Goer() {
  const navigate = useNavigate();
  useEffect(() => {
    go = navigate;
  }, [navigate]);
  return <PageChange />;
}

async function goTo(page: string): Promise<void> {
  await act(async () => {
    await go(page);
  });
}

function opened(page: string) {
  return render(
    <MantineProvider env="test">
      <MemoryRouter initialEntries={[page]}>
        <main id="page" tabIndex={-1} />
        <Goer />
      </MemoryRouter>
    </MantineProvider>,
  );
}

/** As the browser does it: what moves the page says so, and only where it moves it. */
function move(to: number): void {
  if (window.scrollY === to) return;
  Object.defineProperty(window, "scrollY", { value: to, configurable: true });
  window.dispatchEvent(new Event("scroll"));
}

beforeEach(() => {
  sessionStorage.clear();
  move(0);
  jest.spyOn(window, "scrollTo").mockImplementation((...[, top]: unknown[]) => move(Number(top)));
});

afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});

const steps = fc.oneof(
  fc.record({ does: fc.constant("goes to" as const), page: fc.constantFrom("/a", "/b", "/b?by=name", "/c") }),
  fc.record({ does: fc.constant("moves" as const), to: fc.nat(4000) }),
  fc.record({ does: fc.constant("loads anew" as const) }),
);

describe("a page that changes", () => {
  it("is where it was left, however one came back to it", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(steps, { maxLength: 24 }), async (history) => {
        sessionStorage.clear();
        move(0);
        const left = new Map<string, number>();
        let page = "/a";
        let drawn = opened(page);
        for (const step of history) {
          if (step.does === "moves") {
            move(step.to);
            left.set(page, step.to);
          } else if (step.does === "goes to") {
            page = step.page.split("?")[0] ?? "";
            await goTo(step.page);
          } else {
            window.dispatchEvent(new Event("pagehide"));
            // A page on its way out hears no more than that; what its end would keep here is not.
            const kept = Object.entries(sessionStorage);
            drawn.unmount();
            sessionStorage.clear();
            for (const [key, value] of kept) sessionStorage.setItem(key, String(value));
            move(0);
            drawn = opened(page);
          }
          expect(window.scrollY).toBe(left.get(page) ?? 0);
        }
        drawn.unmount();
      }),
    );
  });

  it("says its name, and has the keyboard where what was pressed is gone", async () => {
    opened("/a");
    expect(screen.getByRole("status").textContent).toBe("");
    document.title = "Students";
    await goTo("/b");
    expect(await screen.findByText("Students")).toBe(screen.getByRole("status"));
    expect(document.activeElement).toBe(screen.getByRole("main"));
  });

  it("goes on where the browser keeps nothing, or something else was kept", async () => {
    sessionStorage.setItem("mirrup-places", '{"/a": "far", "/b": 40}');
    const { unmount } = opened("/a");
    expect(window.scrollY).toBe(0);
    await goTo("/b");
    expect(window.scrollY).toBe(40);
    jest.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
      throw new DOMException("Full", "QuotaExceededError");
    });
    expect(unmount).not.toThrow();
  });
});
