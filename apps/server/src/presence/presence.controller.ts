import type {
  Done,
  Items,
  PresenceLeft,
  PresenceReply,
  PresenceRequest,
  PresenceView,
} from "@mirrup/contract";
import {
  doneReply,
  presenceLeft,
  presenceReply,
  presenceRequest,
  presencesReply,
} from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Get, Post } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Command, Reading, Within } from "../door/index.js";
import { PresenceService } from "./presence.service.js";

const UNTOLD = {
  because: "who stands where is forgotten within a day; what was counted is in the log",
} as const;

/** A holder who only says again that they are there is no news. */
const isNews = (answer: unknown): boolean => Reflect.get(Object(answer), "isNews") !== false;

@Controller("presence")
export class PresenceController {
  constructor(private readonly presence: PresenceService) {}

  @Get()
  @Reading({ says: "Who counts where just now", for: "viewer", reply: presencesReply })
  async list(@Within() scope: Scope): Promise<Items<PresenceView>> {
    return { items: await this.presence.list(scope) };
  }

  @Post()
  @Command({
    says: "A device counts at a place, or takes it over from another",
    for: "coach",
    reply: presenceReply,
    audit: UNTOLD,
    size: "batch",
    touches: ["presence"],
    tells: isNews,
  })
  say(
    @Within() scope: Scope,
    @Body({ schema: presenceRequest }) request: PresenceRequest,
  ): Promise<PresenceReply> {
    return this.presence.say(scope, request);
  }

  @Delete()
  @Command({
    says: "A device goes away from a place",
    for: "coach",
    reply: doneReply,
    audit: UNTOLD,
    touches: ["presence"],
  })
  async leave(@Within() scope: Scope, @Body({ schema: presenceLeft }) left: PresenceLeft): Promise<Done> {
    await this.presence.leave(scope, left);
    return { done: true };
  }
}
