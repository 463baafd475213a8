import type { SetView } from "@mirrup/contract";
import { Any } from "typeorm";
import type { Scope } from "../database/scope.js";
import { SetNoteEntity } from "./note.entity.js";
import { requestOf } from "./request.js";
import type { SetEntity } from "./set.entity.js";

/** What is noted to sets, by their ids; one query. */
export async function notesOf(
  { studio, manager }: Scope,
  setIds: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  if (setIds.length === 0) return new Map();
  const notes = await manager.findBy(SetNoteEntity, { studioId: studio.id, setId: Any([...setIds]) });
  return new Map(notes.map(({ setId, text }) => [setId, text]));
}

/** Sets of the log as they were counted, with what was noted to them. */
export async function withNotes(scope: Scope, sets: readonly SetEntity[]): Promise<readonly SetView[]> {
  const notes = await notesOf(
    scope,
    sets.map((set) => set.id),
  );
  return sets.map((set) => ({ ...requestOf(set), note: notes.get(set.id) ?? "" }));
}
