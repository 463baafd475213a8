import type { ArchiveReply } from "@mirrup/contract";
import { archiveReply, savedArchive } from "@mirrup/contract/schemas";
import { Controller, Get, Post, Req, StreamableFile } from "@nestjs/common";
import type { Request } from "express";
import type { Member } from "../database/scope.js";
import { Asking, Command, Reading } from "../door/index.js";
import { ArchiveService } from "./archive.service.js";
import { TOUCHED } from "./tables.js";

@Controller("studio/archive")
export class ArchiveController {
  constructor(private readonly archives: ArchiveService) {}

  @Get()
  @Reading({
    says: "Everything of a studio in one file: lines of JSON to be read back, and sheets to be looked at",
    for: "owner",
    reply: savedArchive,
    audit: ["exported-all"],
    pace: "heavy",
    scope: "own",
  })
  async save(@Asking() member: Member): Promise<StreamableFile> {
    const stream = await this.archives.save(member);
    return new StreamableFile(stream, {
      type: "application/gzip",
      disposition: 'attachment; filename="studio.tar.gz"',
    });
  }

  @Post()
  @Command({
    says: "Reads a studio's file back into one that has nothing of its own, all of it or nothing",
    for: "owner",
    reply: archiveReply,
    refuses: [409, 422],
    audit: ["imported"],
    pace: "heavy",
    scope: "own",
    touches: TOUCHED,
  })
  read(@Asking() member: Member, @Req() sent: Request): Promise<ArchiveReply> {
    return this.archives.read(member, sent);
  }
}
