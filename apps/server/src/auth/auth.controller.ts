import type {
  Done,
  InvitationUse,
  ResetRequest,
  ResetUse,
  SessionView,
  SetUpRequest,
  SignInRequest,
} from "@mirrup/contract";
import {
  doneReply,
  invitationUse,
  resetRequest,
  resetUse,
  sessionReply,
  setUpRequest,
  signInRequest,
} from "@mirrup/contract/schemas";
import { Body, Controller, Get, Post, Req } from "@nestjs/common";
import type { Request } from "express";
import { Command, Reading } from "../door/index.js";
import { letterAddress } from "../mail/index.js";
import { AuthService } from "./auth.service.js";
import { beginSession, endSession } from "./session.js";

const DONE: Done = { done: true };

function addressOf(request: Request): string {
  return request.ip ?? "";
}

@Controller("auth")
export class AuthController {
  constructor(private readonly auth: AuthService) {}

  @Get("session")
  @Reading({
    says: "Who is signed in here, and whether Mirrup has been set up",
    for: "public",
    reply: sessionReply,
  })
  session(@Req() request: Request): Promise<SessionView> {
    return this.auth.session(request.session.personId);
  }

  @Post("sign-in")
  @Command({
    says: "Signs in with e-mail and password",
    for: "public",
    reply: sessionReply,
    refuses: [401],
    audit: ["signed-in", "sign-in-failed"],
    pace: "strangers",
    touches: [],
  })
  async signIn(
    @Req() request: Request,
    @Body({ schema: signInRequest }) body: SignInRequest,
  ): Promise<SessionView> {
    return this.begin(request, await this.auth.signIn(body, addressOf(request)));
  }

  @Post("demo")
  @Command({
    says: "Looks around the demo club as its coach",
    for: "public",
    reply: sessionReply,
    refuses: [404],
    audit: { because: "the demo is open to everybody" },
    pace: "strangers",
    touches: [],
  })
  async demo(@Req() request: Request): Promise<SessionView> {
    return this.begin(request, await this.auth.signInToDemo());
  }

  @Post("set-up")
  @Command({
    says: "Makes the first studio beside the demo club and its owner; gone once there is one",
    for: "public",
    reply: sessionReply,
    refuses: [404, 422],
    audit: ["set-up"],
    pace: "strangers",
    touches: [],
  })
  async setUp(
    @Req() request: Request,
    @Body({ schema: setUpRequest }) body: SetUpRequest,
  ): Promise<SessionView> {
    return this.begin(request, await this.auth.setUp(body));
  }

  @Post("sign-out")
  @Command({
    says: "Ends the session on this device",
    for: "signed-in",
    reply: doneReply,
    audit: { because: "it ends what a signing in began" },
    touches: [],
  })
  async signOut(@Req() request: Request): Promise<Done> {
    await endSession(request);
    return DONE;
  }

  @Post("reset-requests")
  @Command({
    says: "Asks for a link to a new password; the answer is the same whether there is such an account or not",
    for: "public",
    reply: doneReply,
    audit: ["asked-for-password"],
    pace: "strangers",
    touches: [],
  })
  async requestReset(
    @Req() request: Request,
    @Body({ schema: resetRequest }) { email }: ResetRequest,
  ): Promise<Done> {
    await this.auth.requestReset(email, letterAddress(request), addressOf(request));
    return DONE;
  }

  @Post("resets")
  @Command({
    says: "Chooses a new password by a link; every session ends",
    for: "public",
    reply: sessionReply,
    refuses: [410],
    audit: ["changed-password"],
    pace: "strangers",
    touches: [],
  })
  async reset(@Req() request: Request, @Body({ schema: resetUse }) body: ResetUse): Promise<SessionView> {
    return this.begin(request, await this.auth.useReset(body, addressOf(request)));
  }

  @Post("joinings")
  @Command({
    says: "Joins a studio by an invitation",
    for: "public",
    reply: sessionReply,
    refuses: [401, 410],
    audit: ["joined"],
    pace: "strangers",
    touches: [],
  })
  async join(
    @Req() request: Request,
    @Body({ schema: invitationUse }) body: InvitationUse,
  ): Promise<SessionView> {
    return this.begin(request, await this.auth.useInvitation(body, addressOf(request)));
  }

  private async begin(request: Request, personId: string): Promise<SessionView> {
    await beginSession(request, personId);
    return this.auth.session(personId);
  }
}
