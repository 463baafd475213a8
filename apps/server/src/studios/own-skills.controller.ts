import type {
  CatalogueView,
  EditionView,
  Items,
  SkillChanges,
  SkillPreviewItem,
  SkillPreviewRequest,
} from "@mirrup/contract";
import {
  catalogueReply,
  editionParam,
  editionsReply,
  skillChanges,
  skillPreviewReply,
  skillPreviewRequest,
} from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Post } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Command, Reading, Within } from "../door/index.js";
import { OwnSkillsService } from "./own-skills.service.js";

@Controller("catalogue")
export class OwnSkillsController {
  constructor(private readonly skills: OwnSkillsService) {}

  @Get()
  @Reading({
    says: "What the studio teaches otherwise than the catalogue that ships",
    for: "viewer",
    reply: catalogueReply,
  })
  read(@Within() scope: Scope): Promise<CatalogueView> {
    return Promise.resolve(this.skills.view(scope));
  }

  @Get("editions")
  @Reading({
    says: "What of that was changed when and by whom, the newest first",
    for: "coach",
    reply: editionsReply,
  })
  async editions(@Within() scope: Scope): Promise<Items<EditionView>> {
    return { items: await this.skills.editions(scope) };
  }

  @Get("editions/:edition")
  @Reading({
    says: "All that was of the studio's own after a change",
    for: "coach",
    reply: catalogueReply,
  })
  edition(
    @Within() scope: Scope,
    @Param("edition", { schema: editionParam }) edition: number,
  ): Promise<CatalogueView> {
    return this.skills.edition(scope, edition);
  }

  @Post("preview")
  @Reading({
    says: "What changes of what is taught would come to for some students; asked in parts, so that it can be stopped",
    for: "coach",
    reply: skillPreviewReply,
    refuses: [422],
    pace: "heavy",
    size: "batch",
  })
  async preview(
    @Within() scope: Scope,
    @Body({ schema: skillPreviewRequest }) request: SkillPreviewRequest,
  ): Promise<Items<SkillPreviewItem>> {
    return { items: await this.skills.preview(scope, request) };
  }

  @Post("changes")
  @Command({
    says: "Adds, changes or removes skills of the studio's own, and how it teaches those that ship; all together or none",
    for: "coach",
    reply: catalogueReply,
    refuses: [409, 422],
    audit: ["changed-skills"],
    size: "batch",
    touches: ["catalogue", "students", "groups", "lessons", "combos"],
  })
  change(
    @Within() scope: Scope,
    @Body({ schema: skillChanges }) changes: SkillChanges,
  ): Promise<CatalogueView> {
    return this.skills.change(scope, changes);
  }
}
