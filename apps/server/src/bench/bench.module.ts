import { studentsReply } from "@mirrup/contract/schemas";
import { Controller, Get, Module } from "@nestjs/common";
import { Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";

/** The reference that reads are measured against: the same server, scope and transaction, and next to nothing in it. */
@Controller("bench")
class BenchController {
  @Get("select-one")
  @Reading({
    says: "Next to nothing",
    for: "viewer",
    reply: studentsReply,
  })
  async read(@Within() scope: Scope): Promise<object> {
    const { manager } = scope;
    await manager.query("SELECT 1");
    return { items: [] };
  }
}

@Module({ controllers: [BenchController] })
export class BenchModule {}
