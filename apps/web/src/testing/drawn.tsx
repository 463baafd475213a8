/** Draws a part of a page as the application would, with a stand-in for the server that answers by a table. */
import { jest } from "@jest/globals";
import type { Membership, SessionView } from "@mirrup/contract";
import { MantineProvider } from "@mantine/core";
import { notifications, Notifications } from "@mantine/notifications";
import { QueryClientProvider } from "@tanstack/react-query";
import { queryHash } from "../app/query-hash.js";
import { queryClient } from "../app/query-client.js";
import type { ReadingClient } from "../app/reading-client.js";
import { configure, render } from "@testing-library/react";
import { userEvent, type UserEvent } from "@testing-library/user-event";
import type { ReactElement } from "react";
import { MemoryRouter, Route, Routes, useLocation } from "react-router";
import { enterStudio } from "../app/studio.js";
import { setSender } from "../device/index.js";

// Generous, for machines that do other work beside; nothing waits longer than it has to.
configure({ asyncUtilTimeout: 15_000 });

export const STUDIO_ID = "0199c1b2-0000-7000-8000-000000000001";

/**
 * What the server answers to a request such as `GET /students`, or `PATCH /combos/*` for any one of them; a function is
 * asked with what was sent, and where to.
 */
export type Answers = Readonly<Record<string, unknown>>;

export interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** An answer that is a refusal. */
export class Refused {
  constructor(
    readonly status: number,
    readonly detail: string,
    readonly more: object = {},
  ) {}
}

/** An answer that never comes: nobody is there. */
export const SILENT = Symbol("silent");

function fetchBy(answers: Answers, sent: Sent[]) {
  return jest.fn((input: unknown, init: { method?: string; body?: string } = {}) => {
    const path = String(input).replace(/^\/api/, "");
    const method = init.method ?? "GET";
    const body: unknown = init.body === undefined ? undefined : JSON.parse(init.body);
    if (method !== "GET") sent.push({ method, path, body });
    const plain = path.split("?")[0] ?? "";
    const known = [path, plain, plain.replace(/[^/]+$/, "*")].find((one) => `${method} ${one}` in answers);
    const found = answers[`${method} ${known ?? ""}`];
    const answer: unknown =
      typeof found === "function" ? (found as (body: unknown, path: string) => unknown)(body, path) : found;
    if (answer === SILENT) return Promise.reject(new TypeError("Failed to fetch"));
    const reply = (status: number, json: unknown) =>
      Promise.resolve({
        ok: status < 400,
        status,
        headers: new Headers(),
        json: () => Promise.resolve(json),
      });
    if (answer instanceof Refused) {
      const { status, detail, more } = answer;
      return reply(status, { type: "refused", title: detail, detail, status, ...more });
    }
    if (answer === undefined)
      return reply(404, {
        type: "unknown",
        title: "",
        detail: `No answer to ${method} ${path}.`,
        status: 404,
      });
    return reply(200, answer);
  });
}

function Address() {
  const { pathname, search } = useLocation();
  return <span data-testid="address">{pathname.slice(`/${STUDIO_ID}`.length) + search}</span>;
}

/** Who is signed in, and as what. */
export function signedIn(role: Membership["role"]): SessionView {
  return {
    ...{ isSetUp: true, hasDemo: false },
    person: { id: "coach", name: "Ansa Brook", email: "ansa@tannery.example" },
    memberships: [{ studioId: STUDIO_ID, studioName: "Tannery Yard", role }],
  };
}

interface DrawnOptions {
  readonly answers?: Answers;
  /** The address below the studio's. */
  readonly at?: string;
}

interface Drawn {
  /** What was sent that is no mere question, in order. */
  readonly sent: readonly Sent[];
  readonly client: ReadingClient;
  readonly user: UserEvent;
  /** Where the address bar is now, below the studio's. */
  readonly address: () => string | null;
}

/** Draws it, and answers what was sent since, a user, and where the address bar is now. */
export function drawn(element: ReactElement, { answers = {}, at = "/" }: DrawnOptions = {}): Drawn {
  const sent: Sent[] = [];
  notifications.clean();
  enterStudio(STUDIO_ID);
  setSender({ personId: "coach", studioId: STUDIO_ID });
  Object.assign(globalThis, { fetch: fetchBy(answers, sent) });
  // The one that the outbox puts the server's replies into.
  queryClient.clear();
  const askedOnce = { retry: false, networkMode: "always" } as const;
  queryClient.setDefaultOptions({
    queries: { ...askedOnce, staleTime: Infinity, queryKeyHashFn: queryHash },
    mutations: askedOnce,
  });
  const shown = (
    <>
      {element}
      <Address />
    </>
  );
  const view = render(
    <MantineProvider env="test">
      <QueryClientProvider client={queryClient}>
        <Notifications transitionDuration={0} />
        <MemoryRouter initialEntries={[`/${STUDIO_ID}${at}`]}>
          <Routes>
            <Route path="/:studioId/*" element={shown} />
            <Route path="*" element={shown} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>
    </MantineProvider>,
  );
  return {
    ...{ sent, client: queryClient, user: userEvent.setup({ delay: null, pointerEventsCheck: 0 }) },
    address: () => view.getByTestId("address").textContent,
  };
}
