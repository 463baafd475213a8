import type { AccountChange, Done, PasswordRequest } from "@mirrup/contract";
import { accountChange, doneReply, passwordRequest } from "@mirrup/contract/schemas";
import { Body, Controller, Patch, Post, Req } from "@nestjs/common";
import type { Request } from "express";
import { Command } from "../door/index.js";
import { AccountService } from "./account.service.js";
import { endSession } from "./session.js";

const DONE: Done = { done: true };

@Controller("auth")
export class AccountController {
  constructor(private readonly accounts: AccountService) {}

  @Patch("account")
  @Command({
    says: "Changes one's own name, or with the present password one's e-mail",
    for: "signed-in",
    reply: doneReply,
    refuses: [422],
    audit: ["changed-account"],
    touches: [],
  })
  async change(
    @Req() request: Request,
    @Body({ schema: accountChange }) change: AccountChange,
  ): Promise<Done> {
    await this.accounts.change(request.session.personId ?? "", change, request.ip ?? "");
    return DONE;
  }

  @Post("password")
  @Command({
    says: "Changes the password; sessions elsewhere end",
    for: "signed-in",
    reply: doneReply,
    audit: ["changed-password"],
    touches: [],
  })
  async password(
    @Req() request: Request,
    @Body({ schema: passwordRequest }) body: PasswordRequest,
  ): Promise<Done> {
    const { personId = "" } = request.session;
    await this.accounts.changePassword(personId, body, request.sessionID, request.ip ?? "");
    return DONE;
  }

  @Post("sign-out-everywhere")
  @Command({
    says: "Ends this person's sessions on every device",
    for: "signed-in",
    reply: doneReply,
    audit: ["signed-out-everywhere"],
    touches: [],
  })
  async signOutEverywhere(@Req() request: Request): Promise<Done> {
    await this.accounts.signOutEverywhere(request.session.personId ?? "");
    await endSession(request);
    return DONE;
  }
}
