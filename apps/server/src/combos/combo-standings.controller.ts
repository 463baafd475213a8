import type { ComboStandingItem, Items, SetView } from "@mirrup/contract";
import { comboSetsQuery, comboStandingsReply, idParam, lastSetsReply } from "@mirrup/contract/schemas";
import { Controller, Get, Param, Query } from "@nestjs/common";
import { Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { CombosService } from "./combos.service.js";

@Controller("students/:id")
export class ComboStandingsController {
  constructor(private readonly combos: CombosService) {}

  @Get("combos")
  @Reading({
    says: "Where the student stands with each combo",
    for: "viewer",
    reply: comboStandingsReply,
    refuses: [410],
  })
  async standings(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
  ): Promise<Items<ComboStandingItem>> {
    return { items: await this.combos.standingsOf(scope, id) };
  }

  @Get("combo-sets")
  @Reading({
    says: "The last sets of one combo and its links, newest first",
    for: "viewer",
    reply: lastSetsReply,
    refuses: [410],
  })
  async sets(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Query({ schema: comboSetsQuery }) { combo }: { readonly combo: string },
  ): Promise<Items<SetView>> {
    return { items: await this.combos.setsOf(scope, id, combo) };
  }
}
