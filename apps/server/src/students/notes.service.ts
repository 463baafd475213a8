import type { NoteRequest } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { saidAt, SetEntity, SetNoteEntity } from "../log/index.js";
import { UnknownSetProblem } from "../problems/problem.js";

/** What is noted to sets: beside the log, since a line of it is never changed. */
@Injectable()
export class NotesService {
  /** Whoever calls holds the student: of two notes to a set the one counts that was said last, whichever comes first. */
  async say(scope: Scope, studentId: string, { setId, text, at }: NoteRequest): Promise<void> {
    const studioId = scope.studio.id;
    const isTheirs = await scope.manager.existsBy(SetEntity, { studioId, id: setId, studentId });
    if (!isTheirs) throw new UnknownSetProblem();
    const when = saidAt(at === undefined ? {} : { at }, scope.now);
    const known = await scope.manager.findOneBy(SetNoteEntity, { studioId, setId });
    if (known !== null && known.saidAt > when) return;
    await scope.manager.upsert(SetNoteEntity, { studioId, setId, text: text.trim(), saidAt: when }, [
      "studioId",
      "setId",
    ]);
  }
}
