import type { AccountChange, PasswordRequest } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { DataSource } from "typeorm";
import { AuditService } from "../audit/index.js";
import { endLinks } from "../links/index.js";
import {
  DemoAccountProblem,
  NotSignedInProblem,
  RefusedFieldsProblem,
  WrongPasswordProblem,
} from "../problems/problem.js";
import { demoCoach } from "../database/memberships.js";
import { Passwords } from "./passwords.js";
import { PersonEntity } from "./person.entity.js";
import { endSessions } from "./sessions.js";
import { Tries } from "./tries.js";

const TAKEN = "Somebody has this e-mail here already. Use another.";

/** One's own account: name, e-mail, password and sessions. */
@Injectable()
export class AccountService {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    private readonly passwords: Passwords,
    private readonly tries: Tries,
    private readonly audit: AuditService,
  ) {}

  /** Changes name or e-mail. A new e-mail is what one signs in with, so that it asks for the password. */
  async change(personId: string, { name, email, current }: AccountChange, address: string): Promise<void> {
    if ((await demoCoach(this.database.manager)) === personId) throw new DemoAccountProblem();
    const person = await this.personOrThrow(personId);
    const next = email?.toLowerCase() ?? person.email;
    if (next !== person.email) await this.checkPassword(person, current ?? "", address);
    const changed = { name: name?.trim() ?? person.name, email: next };
    await this.database.transaction(async (manager) => {
      if (next !== person.email) {
        if (await manager.existsBy(PersonEntity, { email: next }))
          throw new RefusedFieldsProblem([{ field: "email", code: "taken", message: TAKEN }]);
        // Letters to the old address lead nowhere any more.
        await endLinks(manager, { kind: "reset", email: person.email });
      }
      await manager.update(PersonEntity, { id: personId }, changed);
      const about = next === person.email ? "name" : `${person.email} to ${next}`;
      await this.audit.noteEverywhere(manager, personId, "changed-account", about);
    });
  }

  /** Changes the password and ends every session but `keepSid`, and every open link to a new one. */
  async changePassword(
    personId: string,
    { current, next }: PasswordRequest,
    keepSid: string,
    address: string,
  ): Promise<void> {
    const person = await this.personOrThrow(personId);
    await this.checkPassword(person, current, address);
    const passwordHash = await this.passwords.hash(next);
    await this.database.transaction(async (manager) => {
      await manager.update(PersonEntity, { id: personId }, { passwordHash });
      await endLinks(manager, { kind: "reset", email: person.email });
      await endSessions(manager, personId, keepSid);
      await this.audit.noteEverywhere(manager, personId, "changed-password");
    });
  }

  async signOutEverywhere(personId: string): Promise<void> {
    await this.database.transaction(async (manager) => {
      await endSessions(manager, personId);
      await this.audit.noteEverywhere(manager, personId, "signed-out-everywhere");
    });
  }

  private async personOrThrow(personId: string): Promise<PersonEntity> {
    const person = await this.database.manager.findOneBy(PersonEntity, { id: personId });
    if (person === null) throw new NotSignedInProblem();
    return person;
  }

  /** Counts a try and throws `WrongPasswordProblem` for one that went wrong. */
  private async checkPassword(person: PersonEntity, password: string, address: string): Promise<void> {
    // Apart from signing in: wrong guesses here must not keep a coach from signing in on another device.
    const account = `change ${person.email}`;
    await this.tries.take(account, address);
    if (!(await this.passwords.verify(person.passwordHash, password))) throw new WrongPasswordProblem();
    await this.tries.succeeded(account, address);
  }
}
