import type { ComboStandingItem, Items, SetRequest } from "@mirrup/contract";
import { comboSetsQuery, comboStandingsReply, idParam, lastSetsReply } from "@mirrup/contract/schemas";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { CombosService } from "./combos.service.js";

@Controller("students/:id")
export class ComboStandingsController {
  constructor(
    private readonly scopes: Scopes,
    private readonly combos: CombosService,
  ) {}

  /** Where the student stands with each combo. */
  @Get("combos")
  @For("viewer")
  @Reply(comboStandingsReply, 400, 401, 404, 410)
  standings(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<ComboStandingItem>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.combos.standingsOf(scope, id) }));
  }

  /** The last sets of one combo and its links, newest first. */
  @Get("combo-sets")
  @For("viewer")
  @Reply(lastSetsReply, 400, 401, 404, 410)
  sets(
    @Asking() member: Member,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: comboSetsQuery }) { combo }: { readonly combo: string },
  ): Promise<Items<SetRequest>> {
    return this.scopes.run(member, async (scope) => ({ items: await this.combos.setsOf(scope, id, combo) }));
  }
}
