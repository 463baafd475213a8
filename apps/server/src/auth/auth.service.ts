import type { InvitationUse, ResetUse, SessionView, SetUpRequest, SignInRequest } from "@mirrup/contract";
import { ROLES } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { DataSource, EntityManager } from "typeorm";
import { v7 as uuid } from "uuid";
import { AuditService } from "../audit/index.js";
import { enterStudio, scopeIn } from "../database/scope.js";
import { Mailer } from "../mail/index.js";
import { endLinks, knowLink, makeReset, takeLink } from "../links/index.js";
import { MembershipEntity } from "../people/membership.entity.js";
import {
  AlreadySetUpProblem,
  BadLinkProblem,
  RefusedFieldsProblem,
  UnknownStudioProblem,
  WrongPasswordProblem,
} from "../problems/problem.js";

import { foundStudio, StudioEntity } from "../studios/index.js";
import { demoCoach, membershipsOf } from "../database/memberships.js";
import { Passwords } from "./passwords.js";
import { PersonEntity } from "./person.entity.js";
import { endSessions } from "./sessions.js";
import { Tries } from "./tries.js";

/** One number for everybody who sets Mirrup up, so that only one of them can. */
const SET_UP_LOCK = 4310;

/** Signing in and out, setting up, and what one-time links lead to. */
@Injectable()
export class AuthService {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    private readonly passwords: Passwords,
    private readonly tries: Tries,
    private readonly mailer: Mailer,
    private readonly audit: AuditService,
  ) {}

  /** Who the session belongs to; nobody once that person's account is gone. */
  async session(personId: string | undefined): Promise<SessionView> {
    const isSetUp = await this.isSetUp(this.database.manager);
    const hasDemo = (await demoCoach(this.database.manager)) !== null;
    const person =
      personId === undefined ? null : await this.database.manager.findOneBy(PersonEntity, { id: personId });
    if (person === null) return { isSetUp, hasDemo, person: null, memberships: [] };
    const { id, name, email } = person;
    return {
      isSetUp,
      hasDemo,
      person: { id, name, email },
      memberships: await membershipsOf(this.database.manager, id),
    };
  }

  /** The person with this e-mail and password. Takes the same time, and says the same, for a stranger. */
  async signIn({ email, password }: SignInRequest, address: string): Promise<string> {
    const account = email.toLowerCase();
    await this.tries.take(account, address);
    const person = await this.database.manager.findOneBy(PersonEntity, { email: account });
    const isRight = await this.passwords.verify(person?.passwordHash ?? null, password);
    if (person !== null)
      await this.database.transaction((manager) =>
        this.audit.noteEverywhere(manager, person.id, isRight ? "signed-in" : "sign-in-failed"),
      );
    if (!isRight || person === null) throw new WrongPasswordProblem();
    await this.tries.succeeded(account, address);
    return person.id;
  }

  /** The demo club's coach, whom anybody may look around as. */
  async signInToDemo(): Promise<string> {
    const coach = await demoCoach(this.database.manager);
    if (coach === null) throw new UnknownStudioProblem();
    return coach;
  }

  async setUp(request: SetUpRequest): Promise<string> {
    const passwordHash = await this.passwords.hash(request.password);
    return this.database.transaction(async (manager) => {
      await manager.query("SELECT pg_advisory_xact_lock($1)", [SET_UP_LOCK]);
      if (await this.isSetUp(manager)) throw new AlreadySetUpProblem();
      if (await manager.existsBy(PersonEntity, { email: request.email.toLowerCase() })) {
        const message = "Somebody has this e-mail here already. Use another, or sign in with it.";
        throw new RefusedFieldsProblem([{ field: "email", code: "taken", message }]);
      }
      const now = new Date();
      const { name, email } = request;
      const person: PersonEntity = {
        id: uuid(),
        email: email.toLowerCase(),
        name: name.trim(),
        passwordHash,
        createdAt: now,
      };
      await manager.insert(PersonEntity, person);
      await foundStudio(manager, request, person.id, now, this.audit);
      return person.id;
    });
  }

  /** Sends a link for a new password where there is such an account; answers the same where there is none. */
  async requestReset(email: string, letters: string, address: string): Promise<void> {
    const account = email.toLowerCase();
    await this.tries.take(`reset ${account}`, address);
    await this.database.transaction(async (manager) => {
      const person = await manager.findOneBy(PersonEntity, { email: account });
      const [membership] = person === null ? [] : await membershipsOf(manager, person.id);
      if (person === null || membership === undefined) return;
      const token = await makeReset(manager, account, new Date());
      await this.mailer.send(manager, {
        studioId: membership.studioId,
        to: account,
        subject: "A new password for Mirrup",
        text: `Open this within two hours to choose a new password:\n\n${letters}/reset#${token}\n\nIf you did not ask for it, do nothing.`,
      });
      await this.audit.noteEverywhere(manager, person.id, "asked-for-password");
    });
  }

  async useReset({ token, password }: ResetUse, address: string): Promise<string> {
    await knowLink(this.database.manager, token, "reset", new Date());
    const passwordHash = await this.passwords.hash(password);
    return this.database.transaction(async (manager) => {
      const { email } = await takeLink(manager, token, "reset", new Date());
      const person = await manager.findOneBy(PersonEntity, { email });
      if (person === null) throw new BadLinkProblem();
      await manager.update(PersonEntity, { id: person.id }, { passwordHash });
      await endLinks(manager, { kind: "reset", email });
      await endSessions(manager, person.id);
      await this.audit.noteEverywhere(manager, person.id, "changed-password", "by a link");
      await this.tries.succeeded(email, address);
      return person.id;
    });
  }

  /** Joins the studio of an invitation, with a new account, or with an old one's own password. */
  async useInvitation({ token, name, password }: InvitationUse, address: string): Promise<string> {
    const invited = await knowLink(this.database.manager, token, "invitation", new Date());
    const account = `join ${invited.email}`;
    await this.tries.take(account, address);
    const passwordHash = await this.passwords.hash(password);
    const personId = await this.database.transaction(async (manager) => {
      const now = new Date();
      const { email, studioId, role } = await takeLink(manager, token, "invitation", now);
      if (studioId === null || role === null) throw new BadLinkProblem();
      const known = await manager.findOneBy(PersonEntity, { email });
      if (known !== null && !(await this.passwords.verify(known.passwordHash, password)))
        throw new WrongPasswordProblem();
      const person = known ?? { id: uuid(), email, name, passwordHash, createdAt: now };
      if (known === null) await manager.insert(PersonEntity, person);
      await enterStudio(manager, studioId);
      const member = await manager.findOne(MembershipEntity, {
        where: { studioId, personId: person.id },
        lock: { mode: "pessimistic_write" },
      });
      // An invitation gives and never takes: an owner stays one.
      const isMore = member === null || ROLES.indexOf(role) < ROLES.indexOf(member.role);
      if (isMore)
        await manager.upsert(MembershipEntity, { studioId, personId: person.id, role }, [
          "studioId",
          "personId",
        ]);
      const studio = await manager.findOneByOrFail(StudioEntity, { id: studioId });
      const scope = await scopeIn(manager, { studio, personId: person.id, now });
      await this.audit.note(scope, "joined", { about: isMore ? role : member.role });
      return person.id;
    });
    await this.tries.succeeded(account, address);
    return personId;
  }

  private async isSetUp(manager: EntityManager): Promise<boolean> {
    const rows: unknown = await manager.query("SELECT mirrup_is_set_up() AS done");
    return (rows as readonly { readonly done: boolean }[])[0]?.done ?? false;
  }
}
