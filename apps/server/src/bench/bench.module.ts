import { Controller, Get, Module } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { type Member, Scopes } from "../database/scope.js";

/** The reference that reads are measured against: the same server, scope and transaction, and next to nothing in it. */
@Controller("bench")
class BenchController {
  constructor(private readonly scopes: Scopes) {}

  @Get("select-one")
  @For("viewer")
  read(@Asking() member: Member): Promise<object> {
    return this.scopes.run(member, async ({ manager }) => {
      await manager.query("SELECT 1");
      return { items: [] };
    });
  }
}

@Module({ controllers: [BenchController] })
export class BenchModule {}
