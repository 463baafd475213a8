import type { ImportReply, ImportRequest } from "@mirrup/contract";
import { importReply, importRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Post } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { ImportService } from "./import.service.js";

@Controller("students/import")
export class ImportController {
  constructor(
    private readonly scopes: Scopes,
    private readonly imports: ImportService,
  ) {}

  /** Adds the students of a file in one transaction; groups that are missing are made. */
  @Post()
  @For("coach")
  @Reply(importReply, 400, 401, 403, 404, 413, 422)
  import(
    @Asking() member: Member,
    @Body({ schema: importRequest }) request: ImportRequest,
  ): Promise<ImportReply> {
    return this.scopes.run(member, (scope) => this.imports.import(scope, request));
  }
}
