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
import { Asking, For, Public } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { CombosService } from "./combos.service.js";

@Controller("combos")
export class CombosController {
  constructor(
    private readonly scopes: Scopes,
    private readonly combos: CombosService,
  ) {}

  @Get()
  @For("viewer")
  @Reply(combosReply, 401, 404)
  list(@Asking() member: Member): Promise<Items<ComboView>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.combos.list(scope) }));
  }

  /** Keeps combos, all or none. */
  @Post()
  @For("coach")
  @Reply(combosReply, 400, 401, 403, 404, 422)
  add(
    @Asking() member: Member,
    @Body({ schema: combosRequest }) { combos }: CombosRequest,
  ): Promise<Items<ComboView>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.combos.add(scope, combos) }));
  }

  @Get(":id")
  @For("viewer")
  @Reply(comboReply, 400, 401, 404)
  read(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<ComboView> {
    return this.scopes.run(member, (scope) => this.combos.read(scope, id));
  }

  @Patch(":id")
  @For("coach")
  @Reply(comboReply, 400, 401, 403, 404, 409)
  change(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: comboChange }) change: ComboChange,
  ): Promise<ComboView> {
    return this.scopes.run(member, (scope) => this.combos.change(scope, id, change));
  }

  /** Makes a link that shows the combo to whoever has it; an older one ends. */
  @Post(":id/link")
  @For("coach")
  @Reply(comboLinkReply, 400, 401, 403, 404)
  link(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<ComboLinkView> {
    return this.scopes.run(member, (scope) => this.combos.link(scope, id));
  }

  @Delete(":id/link")
  @For("coach")
  @Reply(comboReply, 400, 401, 403, 404)
  withdraw(@Asking() member: Member, @Param("id", { schema: idParam }) id: string): Promise<ComboView> {
    return this.scopes.run(member, (scope) => this.combos.withdraw(scope, id));
  }
}

@Controller("shared-combos")
export class SharedCombosController {
  constructor(private readonly combos: CombosService) {}

  /** A combo, read by its link. */
  @Get(":token")
  @Public()
  @Reply(sharedComboReply, 400, 410)
  read(@Param("token", { schema: tokenParam }) token: string): Promise<SharedCombo> {
    return this.combos.shared(token);
  }
}
