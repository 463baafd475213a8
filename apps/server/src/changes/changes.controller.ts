import type { ChangesReply } from "@mirrup/contract";
import { changesQuery, changesReply } from "@mirrup/contract/schemas";
import { Controller, Get, Query, Res } from "@nestjs/common";
import type { Response } from "express";
import { Scopes, type Member } from "../database/scope.js";
import { Asking, Reading } from "../door/index.js";
import { ChangeFeed } from "./feed.js";
import { changesAfter } from "./changes-after.js";

/** As long as every proxy lets a request wait. */
const LONGEST_MS = 20_000;

@Controller("changes")
export class ChangesController {
  constructor(
    private readonly scopes: Scopes,
    private readonly feed: ChangeFeed,
  ) {}

  @Get()
  @Reading({
    says: "What was changed after a change that is known, as soon as there is something; waits for it a while",
    for: "viewer",
    reply: changesReply,
    scope: "own",
  })
  async after(
    @Asking() member: Member,
    @Query({ schema: changesQuery }) { after }: { readonly after?: string },
    @Res({ passthrough: true }) response: Response,
  ): Promise<ChangesReply> {
    const gone = new AbortController();
    response.once("close", () => gone.abort());
    const signal = AbortSignal.any([gone.signal, AbortSignal.timeout(LONGEST_MS)]);
    const read = () =>
      this.scopes.run({ ...member, mode: "read" }, (scope) =>
        changesAfter(scope, after === undefined ? null : Number(after)),
      );
    // Waited for before it is looked: what comes between the two is not missed.
    const woken = this.feed.next(member.studioId, signal);
    const known = await read();
    if (after === undefined || known.all || known.items.length > 0) return known;
    await woken;
    return read();
  }
}
