import { act, render, screen } from "@testing-library/react";
import { expect, it } from "@jest/globals";
import { useEffect, useState } from "react";
import { createBrowserRouter, RouterProvider, useNavigate, type NavigateFunction } from "react-router";
import { useKeptParams } from "./use-kept-params.js";

/** The router asks for its pages by one; a page without a browser has none. */
class Asked {
  readonly method = "GET";
  readonly signal: AbortSignal | undefined;

  constructor(
    readonly url: string,
    { signal }: { readonly signal?: AbortSignal } = {},
  ) {
    this.signal = signal;
  }
}
Object.assign(globalThis, { Request: Asked });

let show: (parts: string) => void = () => undefined;
let go: NavigateFunction = () => undefined;

/** A page that keeps what it shows in the address, and leaves at once for another whose files are still to come. */
function Bench({ leaves }: { readonly leaves: boolean }) {
  const [parts, setParts] = useState("open");
  const navigate = useNavigate();
  useEffect(() => {
    show = setParts;
    go = navigate;
  }, [navigate]);
  useKeptParams(parts, (now) => {
    now.set("parts", parts);
    return now;
  });
  useEffect(() => {
    if (leaves) void navigate("/combo");
  }, [leaves, navigate]);
  return <p>The bench</p>;
}

function opened(leaves: boolean) {
  let arrive: () => void = () => undefined;
  const files = new Promise<{ Component: () => React.ReactNode }>((resolve) => {
    arrive = () => resolve({ Component: () => <p>The combo</p> });
  });
  window.history.replaceState(null, "", "/bench?for=ada");
  const router = createBrowserRouter([
    { path: "/bench", element: <Bench leaves={leaves} /> },
    { path: "/combo", lazy: () => files },
  ]);
  render(<RouterProvider router={router} />);
  return { arrive };
}

it("writes what is shown into the address, beside what stands there", async () => {
  opened(false);
  await screen.findByText("The bench");
  expect(window.location.search).toBe("?for=ada&parts=open");
  await act(async () => {
    show("cross");
    await Promise.resolve();
  });
  expect(window.location.search).toBe("?for=ada&parts=cross");
  // A link to the page that is open leaves it out, and takes nothing off the bench.
  await act(async () => {
    await go("/bench?for=ben");
  });
  expect(window.location.search).toBe("?for=ben&parts=cross");
});

it("holds nobody back who leaves for a page whose files are still to come", async () => {
  const { arrive } = opened(true);
  await screen.findByText("The bench");
  await act(async () => {
    await new Promise((resolve) => setTimeout(resolve, 20));
    arrive();
  });
  expect(await screen.findByText("The combo")).toBeTruthy();
  expect(window.location.pathname).toBe("/combo");
});
