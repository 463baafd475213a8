import type {
  Done,
  InvitationUse,
  PasswordRequest,
  ResetRequest,
  ResetUse,
  SessionView,
  SetUpRequest,
  SignInRequest,
} from "@mirrup/contract";
import {
  doneReply,
  invitationUse,
  passwordRequest,
  resetRequest,
  resetUse,
  sessionReply,
  setUpRequest,
  signInRequest,
} from "@mirrup/contract/schemas";
import { Body, Controller, Get, Post, Req } from "@nestjs/common";
import type { Request } from "express";
import { letterAddress } from "../mail/index.js";
import { Reply } from "../problems/reply.js";
import { Public, SignedIn } from "../access/access.js";
import { AuthService } from "./auth.service.js";
import { beginSession, endSession } from "./session.js";

const DONE: Done = { done: true };

function addressOf(request: Request): string {
  return request.ip ?? "";
}

@Controller("auth")
export class AuthController {
  constructor(private readonly auth: AuthService) {}

  /** Who is signed in here, and whether Mirrup has been set up. */
  @Get("session")
  @Public()
  @Reply(sessionReply)
  session(@Req() request: Request): Promise<SessionView> {
    return this.auth.session(request.session.personId);
  }

  @Post("sign-in")
  @Public()
  @Reply(sessionReply, 400, 401, 429)
  async signIn(
    @Req() request: Request,
    @Body({ schema: signInRequest }) body: SignInRequest,
  ): Promise<SessionView> {
    return this.begin(request, await this.auth.signIn(body, addressOf(request)));
  }

  /** Looks around the demo club as its coach. */
  @Post("demo")
  @Public()
  @Reply(sessionReply, 404)
  async demo(@Req() request: Request): Promise<SessionView> {
    return this.begin(request, await this.auth.signInToDemo());
  }

  /** Makes the first studio beside the demo club and its owner; gone once there is one. */
  @Post("set-up")
  @Public()
  @Reply(sessionReply, 400, 404, 422)
  async setUp(
    @Req() request: Request,
    @Body({ schema: setUpRequest }) body: SetUpRequest,
  ): Promise<SessionView> {
    return this.begin(request, await this.auth.setUp(body));
  }

  @Post("sign-out")
  @SignedIn()
  @Reply(doneReply, 401)
  async signOut(@Req() request: Request): Promise<Done> {
    await endSession(request);
    return DONE;
  }

  /** Ends this person's sessions on every device. */
  @Post("sign-out-everywhere")
  @SignedIn()
  @Reply(doneReply, 401)
  async signOutEverywhere(@Req() request: Request): Promise<Done> {
    await this.auth.signOutEverywhere(request.session.personId ?? "");
    await endSession(request);
    return DONE;
  }

  /** Changes the password; sessions elsewhere end. */
  @Post("password")
  @SignedIn()
  @Reply(doneReply, 400, 401, 429)
  async password(
    @Req() request: Request,
    @Body({ schema: passwordRequest }) body: PasswordRequest,
  ): Promise<Done> {
    await this.auth.changePassword(
      request.session.personId ?? "",
      body,
      request.sessionID,
      addressOf(request),
    );
    return DONE;
  }

  /** Asks for a link to a new password; the answer is the same whether there is such an account or not. */
  @Post("reset-requests")
  @Public()
  @Reply(doneReply, 400, 429)
  async requestReset(
    @Req() request: Request,
    @Body({ schema: resetRequest }) { email }: ResetRequest,
  ): Promise<Done> {
    await this.auth.requestReset(email, letterAddress(request), addressOf(request));
    return DONE;
  }

  @Post("resets")
  @Public()
  @Reply(sessionReply, 400, 410)
  async reset(@Req() request: Request, @Body({ schema: resetUse }) body: ResetUse): Promise<SessionView> {
    return this.begin(request, await this.auth.useReset(body, addressOf(request)));
  }

  @Post("joinings")
  @Public()
  @Reply(sessionReply, 400, 401, 410, 429)
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
