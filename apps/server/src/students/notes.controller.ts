import type { Done, NoteRequest } from "@mirrup/contract";
import { doneReply, idParam, noteRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Param, Put } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Command, inPath, Within } from "../door/index.js";
import { NotesService } from "./notes.service.js";
import { StudentsService } from "./students.service.js";

@Controller("students/:id/notes")
export class NotesController {
  constructor(
    private readonly students: StudentsService,
    private readonly notes: NotesService,
  ) {}

  @Put()
  @Command({
    says: "Notes something to a set; an empty text takes the note back",
    for: "coach",
    reply: doneReply,
    refuses: [410],
    audit: { because: "a note stands beside its set in the student's own record" },
    touches: ["students"],
    of: inPath,
    follows: inPath,
  })
  async say(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: noteRequest }) request: NoteRequest,
  ): Promise<Done> {
    await this.students.hold(scope, id);
    await this.notes.say(scope, id, request);
    return { done: true };
  }
}
