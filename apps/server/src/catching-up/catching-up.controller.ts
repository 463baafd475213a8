import type { CatchingUpView } from "@mirrup/contract";
import { catchingUpReply } from "@mirrup/contract/schemas";
import { Controller, Get } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Reading, Within } from "../door/index.js";
import { behindIn } from "./behind.js";

@Controller("catalogue/catching-up")
export class CatchingUpController {
  @Get()
  @Reading({
    says: "How many students' records are still to be read by what is taught now",
    for: "coach",
    reply: catchingUpReply,
  })
  async read(@Within() scope: Scope): Promise<CatchingUpView> {
    const { students, ids } = await behindIn(scope);
    return { students, behind: ids.length };
  }
}
