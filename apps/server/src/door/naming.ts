/** Where commands name the students whom they are about, and who those are by now. */
import type { Request } from "express";
import type { Scope } from "../database/scope.js";

export interface Naming {
  readonly ids: (request: Request) => readonly string[];
  /** Names others in their place. */
  readonly rename: (request: Request, nowOf: (id: string) => string) => void;
}

const objectOf = (value: unknown): object => (typeof value === "object" && value !== null ? value : {});
const isText = (value: unknown): value is string => typeof value === "string";

export const inPath: Naming = {
  ids: ({ params }) => (isText(params.id) ? [params.id] : []),
  rename: ({ params }, nowOf) => {
    if (isText(params.id)) params.id = nowOf(params.id);
  },
};

/** Of a batch: each of its items names one. */
export function inItems(key: string): Naming {
  const itemsOf = ({ body }: Request): readonly unknown[] => {
    const items: unknown = Reflect.get(objectOf(body), key);
    return Array.isArray(items) ? items : [];
  };
  const idOf = (item: unknown): unknown => Reflect.get(objectOf(item), "studentId");
  return {
    ids: (request) => [...new Set(itemsOf(request).map(idOf).filter(isText))],
    rename: (request, nowOf) => {
      for (const item of itemsOf(request)) {
        const id = idOf(item);
        if (isText(id)) Reflect.set(objectOf(item), "studentId", nowOf(id));
      }
    },
  };
}

/** Of what is said of several by their ids. */
export function asKeys(...fields: readonly string[]): Naming {
  const saidOf = ({ body }: Request, field: string) => Reflect.get(objectOf(body), field) as unknown;
  return {
    ids: (request) => [...new Set(fields.flatMap((field) => Object.keys(objectOf(saidOf(request, field)))))],
    rename: (request, nowOf) => {
      for (const field of fields) {
        const said = saidOf(request, field);
        if (typeof said !== "object" || said === null || Array.isArray(said)) continue;
        const renamed = Object.entries(said).map(([id, value]): [string, unknown] => [nowOf(id), value]);
        Reflect.set(objectOf(request.body), field, Object.fromEntries(renamed));
      }
    },
  };
}

/** Of more at once nothing is stored: the contract refuses it. */
const MOST_NAMED = 10_000;
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/**
 * What was said of a record that has become part of another since is about that one: a tablet that was away does not
 * know of it yet.
 */
export async function follow(scope: Scope, request: Request, naming: Naming): Promise<void> {
  const ids = naming
    .ids(request)
    .slice(0, MOST_NAMED)
    .filter((id) => UUID.test(id));
  if (ids.length === 0) return;
  const found = await scope.manager.query<readonly { readonly id: string; readonly same_as: string }[]>(
    "SELECT id, same_as FROM student WHERE studio_id = $1 AND id = ANY ($2) AND same_as IS NOT NULL",
    [scope.studio.id, ids],
  );
  if (found.length === 0) return;
  const kept = new Map(found.map((one) => [one.id, one.same_as]));
  naming.rename(request, (id) => kept.get(id) ?? id);
}
