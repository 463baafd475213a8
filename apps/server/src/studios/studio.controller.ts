import type { Items, PreviewItem, PreviewRequest, StudioChange, StudioView } from "@mirrup/contract";
import { previewReply, previewRequest, studioChange, studioReply } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Patch, Post } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { type Member, Scopes } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { studioView, TeachingService } from "./teaching.service.js";

@Controller("studio")
export class StudioController {
  constructor(
    private readonly scopes: Scopes,
    private readonly teaching: TeachingService,
  ) {}

  @Get()
  @For("viewer")
  @Reply(studioReply, 401, 404)
  read(@Asking() member: Member): Promise<StudioView> {
    return this.scopes.run(member, ({ studio }) => Promise.resolve(studioView(studio)));
  }

  /** Changes how the studio teaches; refuses what was made from an older state. */
  @Patch()
  @For("owner")
  @Reply(studioReply, 400, 401, 403, 404, 409, 422)
  change(
    @Asking() member: Member,
    @Body({ schema: studioChange }) change: StudioChange,
  ): Promise<StudioView> {
    return this.scopes.run(member, (scope) => this.teaching.change(scope, change));
  }

  /** What a school would clear and reopen for some students; asked in parts, so that it can be stopped. */
  @Post("preview")
  @For("coach")
  @Reply(previewReply, 400, 401, 403, 404)
  preview(
    @Asking() member: Member,
    @Body({ schema: previewRequest }) request: PreviewRequest,
  ): Promise<Items<PreviewItem>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.teaching.preview(scope, request) }));
  }
}
