import type { Items, PreviewItem, PreviewRequest, StudioChange, StudioView } from "@mirrup/contract";
import { previewReply, previewRequest, studioChange, studioReply } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Patch, Post } from "@nestjs/common";
import { Command, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { studioView, TeachingService } from "./teaching.service.js";

@Controller("studio")
export class StudioController {
  constructor(private readonly teaching: TeachingService) {}

  @Get()
  @Reading({
    says: "The studio, and how it teaches",
    for: "viewer",
    reply: studioReply,
  })
  read(@Within() scope: Scope): Promise<StudioView> {
    const { studio } = scope;
    return Promise.resolve(studioView(studio));
  }

  @Patch()
  @Command({
    says: "Changes how the studio teaches; refuses what was made from an older state",
    for: "owner",
    reply: studioReply,
    refuses: [409, 422],
    audit: ["changed-school", "changed-studio"],
    touches: ["studio", "students", "lessons", "groups"],
  })
  change(@Within() scope: Scope, @Body({ schema: studioChange }) change: StudioChange): Promise<StudioView> {
    return this.teaching.change(scope, change);
  }

  @Post("preview")
  @Reading({
    says: "What a school would clear and reopen for some students; asked in parts, so that it can be stopped",
    for: "coach",
    reply: previewReply,
    pace: "heavy",
    size: "batch",
  })
  async preview(
    @Within() scope: Scope,
    @Body({ schema: previewRequest }) request: PreviewRequest,
  ): Promise<Items<PreviewItem>> {
    return { items: await this.teaching.preview(scope, request) };
  }
}
