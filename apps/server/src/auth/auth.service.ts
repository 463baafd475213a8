import type {
  InvitationUse,
  Membership,
  PasswordRequest,
  ResetUse,
  SessionView,
  SetUpRequest,
  SignInRequest,
} from "@mirrup/contract";
import { ROLES } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { DataSource, EntityManager } from "typeorm";
import { v7 as uuid } from "uuid";
import { AuditService } from "../audit/index.js";
import { enterStudio, type Scope } from "../database/scope.js";
import { Mailer } from "../mail/index.js";
import { endLinks, knowLink, makeReset, takeLink } from "../links/index.js";
import { MembershipEntity } from "../people/membership.entity.js";
import {
  AlreadySetUpProblem,
  BadLinkProblem,
  NotSignedInProblem,
  RefusedFieldsProblem,
  UnknownStudioProblem,
  WrongPasswordProblem,
} from "../problems/problem.js";
import { NEW_STUDIO, StudioEntity } from "../studios/studio.entity.js";
import { Passwords } from "./passwords.js";
import { PersonEntity } from "./person.entity.js";
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
    const hasDemo = (await this.demoCoach()) !== null;
    const person =
      personId === undefined ? null : await this.database.manager.findOneBy(PersonEntity, { id: personId });
    if (person === null) return { isSetUp, hasDemo, person: null, memberships: [] };
    const { id, name, email } = person;
    return { isSetUp, hasDemo, person: { id, name, email }, memberships: await this.membershipsOf(id) };
  }

  /** The person with this e-mail and password. Takes the same time, and says the same, for a stranger. */
  async signIn({ email, password }: SignInRequest, address: string): Promise<string> {
    const account = email.toLowerCase();
    await this.tries.take(account, address);
    const person = await this.database.manager.findOneBy(PersonEntity, { email: account });
    if (!(await this.passwords.verify(person?.passwordHash ?? null, password)) || person === null) {
      throw new WrongPasswordProblem();
    }
    await this.tries.succeeded(account, address);
    return person.id;
  }

  /** The demo club's coach, whom anybody may look around as. */
  async signInToDemo(): Promise<string> {
    const coach = await this.demoCoach();
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
      const { studioName, timeZone, school, name, email } = request;
      const studio: StudioEntity = {
        id: uuid(),
        name: studioName,
        timeZone,
        school,
        ...NEW_STUDIO,
        isDemo: false,
        createdAt: now,
      };
      await enterStudio(manager, studio.id);
      await manager.insert(StudioEntity, studio);
      const person: PersonEntity = {
        id: uuid(),
        email: email.toLowerCase(),
        name,
        passwordHash,
        createdAt: now,
      };
      await manager.insert(PersonEntity, person);
      await manager.insert(MembershipEntity, { studioId: studio.id, personId: person.id, role: "owner" });
      await this.audit.note({ studio, personId: person.id, manager, now }, "set-up");
      return person.id;
    });
  }

  /** Changes the password and ends every session but `keepSid`. */
  async changePassword(
    personId: string,
    { current, next }: PasswordRequest,
    keepSid: string,
    address: string,
  ): Promise<void> {
    const person = await this.database.manager.findOneBy(PersonEntity, { id: personId });
    if (person === null) throw new NotSignedInProblem();
    // Apart from signing in: wrong guesses here must not keep a coach from signing in on another device.
    const account = `change ${person.email}`;
    await this.tries.take(account, address);
    if (!(await this.passwords.verify(person.passwordHash, current))) throw new WrongPasswordProblem();
    await this.tries.succeeded(account, address);
    const passwordHash = await this.passwords.hash(next);
    await this.database.manager.update(PersonEntity, { id: personId }, { passwordHash });
    await this.endSessions(this.database.manager, personId, keepSid);
  }

  async signOutEverywhere(personId: string): Promise<void> {
    await this.endSessions(this.database.manager, personId, "");
  }

  /** Sends a link for a new password where there is such an account; answers the same where there is none. */
  async requestReset(email: string, letters: string, address: string): Promise<void> {
    const account = email.toLowerCase();
    await this.tries.take(`reset ${account}`, address);
    await this.database.transaction(async (manager) => {
      const person = await manager.findOneBy(PersonEntity, { email: account });
      const [membership] = person === null ? [] : await this.membershipsOf(person.id);
      if (person === null || membership === undefined) return;
      const token = await makeReset(manager, account, new Date());
      await this.mailer.send(manager, {
        studioId: membership.studioId,
        to: account,
        subject: "A new password for Mirrup",
        text: `Open this within two hours to choose a new password:\n\n${letters}/reset#${token}\n\nIf you did not ask for it, do nothing.`,
      });
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
      await this.endSessions(manager, person.id, "");
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
      const scope: Scope = { studio, personId: person.id, manager, now };
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

  private async demoCoach(): Promise<string | null> {
    const rows: unknown = await this.database.query("SELECT mirrup_demo_coach() AS id");
    return (rows as readonly { readonly id: string | null }[])[0]?.id ?? null;
  }

  private async membershipsOf(personId: string): Promise<Membership[]> {
    const rows: unknown = await this.database.query(
      "SELECT studio_id, studio_name, role FROM mirrup_memberships_of($1)",
      [personId],
    );
    return (rows as readonly { studio_id: string; studio_name: string; role: string }[]).map((row) => ({
      studioId: row.studio_id,
      studioName: row.studio_name,
      role: ROLES.find((role) => role === row.role) ?? "viewer",
    }));
  }

  private async endSessions(manager: EntityManager, personId: string, exceptSid: string): Promise<void> {
    await manager.query("DELETE FROM auth_session WHERE sess ->> 'personId' = $1 AND sid <> $2", [
      personId,
      exceptSid,
    ]);
  }
}
