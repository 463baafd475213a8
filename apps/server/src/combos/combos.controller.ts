import type {
  ComboChange,
  ComboLinkView,
  CombosRequest,
  ComboView,
  Items,
  SharedCombo,
} from "@mirrup/contract";
import {
  comboChange,
  comboLinkReply,
  comboReply,
  combosReply,
  combosRequest,
  idParam,
  sharedComboReply,
  tokenParam,
} from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Get, Param, Patch, Post } from "@nestjs/common";
import { Command, Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { CombosService } from "./combos.service.js";

@Controller("combos")
export class CombosController {
  constructor(private readonly combos: CombosService) {}

  @Get()
  @Reading({
    says: "The combos on the shelf",
    for: "viewer",
    reply: combosReply,
  })
  async list(@Within() scope: Scope): Promise<Items<ComboView>> {
    return { items: await this.combos.list(scope) };
  }

  @Post()
  @Command({
    says: "Keeps combos, all or none",
    for: "coach",
    reply: combosReply,
    refuses: [422],
    audit: { because: "a combo is nobody's record" },
    size: "batch",
    touches: ["combos"],
  })
  async add(
    @Within() scope: Scope,
    @Body({ schema: combosRequest }) { combos }: CombosRequest,
  ): Promise<Items<ComboView>> {
    return { items: await this.combos.add(scope, combos) };
  }

  @Get(":id")
  @Reading({
    says: "One combo",
    for: "viewer",
    reply: comboReply,
  })
  read(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<ComboView> {
    return this.combos.read(scope, id);
  }

  @Patch(":id")
  @Command({
    says: "Changes a combo; refuses what was made from an older state",
    for: "coach",
    reply: comboReply,
    refuses: [409],
    audit: { because: "a combo is nobody's record" },
    size: "batch",
    touches: ["combos"],
  })
  change(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: comboChange }) change: ComboChange,
  ): Promise<ComboView> {
    return this.combos.change(scope, id, change);
  }

  @Post(":id/link")
  @Command({
    says: "Makes a link that shows the combo to whoever has it; an older one ends",
    for: "coach",
    reply: comboLinkReply,
    audit: ["shared"],
    touches: ["combos"],
  })
  link(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<ComboLinkView> {
    return this.combos.link(scope, id);
  }

  @Delete(":id/link")
  @Command({
    says: "Ends the link that shows the combo",
    for: "coach",
    reply: comboReply,
    audit: ["unshared"],
    touches: ["combos"],
  })
  withdraw(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<ComboView> {
    return this.combos.withdraw(scope, id);
  }
}

@Controller("shared-combos")
export class SharedCombosController {
  constructor(private readonly combos: CombosService) {}

  @Get(":token")
  @Reading({
    says: "A combo, read by its link",
    for: "public",
    reply: sharedComboReply,
    pace: "strangers",
    refuses: [410],
  })
  read(@Param("token", { schema: tokenParam }) token: string): Promise<SharedCombo> {
    return this.combos.shared(token);
  }
}
