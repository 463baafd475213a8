import type { ImportReply, ImportRequest } from "@mirrup/contract";
import { importReply, importRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Post } from "@nestjs/common";
import { Command, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { ImportService } from "./import.service.js";

@Controller("students/import")
export class ImportController {
  constructor(private readonly imports: ImportService) {}

  @Post()
  @Command({
    says: "Adds the students of a file in one transaction; groups that are missing are made",
    for: "coach",
    reply: importReply,
    refuses: [413, 422],
    audit: ["imported"],
    size: "file",
    touches: ["students", "groups"],
  })
  import(
    @Within() scope: Scope,
    @Body({ schema: importRequest }) request: ImportRequest,
  ): Promise<ImportReply> {
    return this.imports.import(scope, request);
  }
}
