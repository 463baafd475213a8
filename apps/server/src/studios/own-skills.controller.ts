import type { CatalogueView, EditionView, Items, SkillChange } from "@mirrup/contract";
import { catalogueReply, editionsReply, skillChange, subjectParam } from "@mirrup/contract/schemas";
import { Body, Controller, Get, Param, Put } from "@nestjs/common";
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

  @Put("skills/:subject")
  @Command({
    says: "Adds, changes or removes one skill of the studio's own, or names and needs of one that ships",
    for: "coach",
    reply: catalogueReply,
    refuses: [409, 422],
    audit: ["changed-skills"],
    touches: ["catalogue", "students", "groups", "lessons", "combos"],
  })
  change(
    @Within() scope: Scope,
    @Param("subject", { schema: subjectParam }) subject: string,
    @Body({ schema: skillChange }) change: SkillChange,
  ): Promise<CatalogueView> {
    return this.skills.change(scope, subject, change);
  }
}
