import type {
  Done,
  HomeLinkRequest,
  HomePracticeView,
  HomeSetsReply,
  HomeSetsRequest,
  HomeView,
  Items,
  NewHomeLink,
  PractisedAtHome,
} from "@mirrup/contract";
import {
  doneReply,
  homeLinkRequest,
  homePracticeReply,
  homeReply,
  homeSetsReply,
  homeSetsRequest,
  idParam,
  newHomeLinkReply,
  practisedAtHomeReply,
  tokenParam,
} from "@mirrup/contract/schemas";
import { Body, Controller, Delete, Get, Param, Post } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { Command, inPath, Reading, Within } from "../door/index.js";
import { HomeLinksService } from "./home-links.service.js";
import { HomeService } from "./home.service.js";

const DONE: Done = { done: true };

@Controller("students/:id/home")
export class HomeLinksController {
  constructor(private readonly links: HomeLinksService) {}

  @Get()
  @Reading({
    says: "A student's link for practice at home, and the sets from it that nobody has looked at",
    for: "viewer",
    reply: homePracticeReply,
    refuses: [410],
  })
  read(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<HomePracticeView> {
    return this.links.of(scope, id);
  }

  @Post()
  @Command({
    says: "Makes a link by which a student sees their own practice and sends what they did; an older one ends",
    for: "coach",
    reply: newHomeLinkReply,
    refuses: [410, 422],
    audit: ["opened-home"],
    touches: ["students"],
    of: inPath,
  })
  make(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: homeLinkRequest }) request: HomeLinkRequest,
  ): Promise<NewHomeLink> {
    return this.links.make(scope, id, request);
  }

  @Delete()
  @Command({
    says: "Ends a student's link for practice at home",
    for: "coach",
    reply: doneReply,
    refuses: [410],
    audit: ["closed-home"],
    touches: ["students"],
    of: inPath,
  })
  async end(@Within() scope: Scope, @Param("id", { schema: idParam }) id: string): Promise<Done> {
    await this.links.end(scope, id);
    return DONE;
  }
}

@Controller("practised-at-home")
export class PractisedAtHomeController {
  constructor(private readonly links: HomeLinksService) {}

  @Get()
  @Reading({
    says: "Whoever has sets from home that nobody has looked at",
    for: "viewer",
    reply: practisedAtHomeReply,
  })
  async read(@Within() scope: Scope): Promise<Items<PractisedAtHome>> {
    return { items: await this.links.practised(scope) };
  }
}

@Controller("home/:token")
export class HomeController {
  constructor(private readonly home: HomeService) {}

  @Get()
  @Reading({
    says: "A student's own practice, read by its link",
    for: "public",
    reply: homeReply,
    pace: "strangers",
    refuses: [410],
  })
  read(@Param("token", { schema: tokenParam }) token: string): Promise<HomeView> {
    return this.home.read(token);
  }

  @Post("sets")
  @Command({
    says: "Takes sets that a student counted at home, sent by their link",
    for: "public",
    reply: homeSetsReply,
    pace: "strangers",
    refuses: [409, 410, 422],
    audit: { because: "a student's own sets are in the log, and nobody of the studio did anything" },
    touches: [],
  })
  take(
    @Param("token", { schema: tokenParam }) token: string,
    @Body({ schema: homeSetsRequest }) request: HomeSetsRequest,
  ): Promise<HomeSetsReply> {
    return this.home.take(token, request);
  }
}
