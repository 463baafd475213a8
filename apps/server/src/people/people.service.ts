import type { InvitationRequest, MemberView, Role } from "@mirrup/contract";
import { byName } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { In } from "typeorm";
import { AuditService } from "../audit/index.js";
import { demoCoach } from "../database/memberships.js";
import { PersonEntity } from "../auth/person.entity.js";
import type { Scope } from "../database/scope.js";
import { Mailer } from "../mail/index.js";
import { DemoAccountProblem, LastOwnerProblem, UnknownPersonProblem } from "../problems/problem.js";
import { endLinks, makeInvitation } from "../links/index.js";
import { MembershipEntity } from "./membership.entity.js";

/** The people of a studio and their parts in it. */
@Injectable()
export class PeopleService {
  constructor(
    private readonly mailer: Mailer,
    private readonly audit: AuditService,
  ) {}

  async list(scope: Scope): Promise<MemberView[]> {
    const members = await scope.manager.findBy(MembershipEntity, { studioId: scope.studio.id });
    const people = await scope.manager.findBy(PersonEntity, {
      id: In(members.map((member) => member.personId)),
    });
    const roleOf = new Map(members.map((member) => [member.personId, member.role]));
    return people
      .map(({ id, name, email }) => ({ id, name, email, role: roleOf.get(id) ?? "viewer" }))
      .sort((one, other) => byName(one.name, other.name));
  }

  async invite(scope: Scope, { email, role }: InvitationRequest, address: string): Promise<void> {
    const to = email.toLowerCase();
    const { studio, manager, now } = scope;
    const token = await makeInvitation(manager, { email: to, role, studioId: studio.id, now });
    await this.mailer.send(manager, {
      studioId: studio.id,
      to,
      subject: `Join ${studio.name} on Mirrup`,
      text: `You are invited to ${studio.name} as ${role}. Open this within seven days:\n\n${address}/join#${token}`,
    });
    await this.audit.note(scope, "invited", { about: `${to}, ${role}` });
  }

  async changeRole(scope: Scope, personId: string, role: Role): Promise<void> {
    const member = await this.memberOrThrow(scope, personId);
    if (role !== "owner") await this.keepAnOwner(scope, member);
    await scope.manager.update(MembershipEntity, { studioId: scope.studio.id, personId }, { role });
    await this.audit.note(scope, "role-changed", {
      about: `${await this.addressOf(scope, personId)}, ${role}`,
    });
  }

  async remove(scope: Scope, personId: string): Promise<void> {
    await this.keepAnOwner(scope, await this.memberOrThrow(scope, personId));
    const studioId = scope.studio.id;
    const email = await this.addressOf(scope, personId);
    await scope.manager.delete(MembershipEntity, { studioId, personId });
    // An invitation that was never opened would bring them back.
    await endLinks(scope.manager, { kind: "invitation", email, studioId });
    await this.audit.note(scope, "removed", { about: email });
  }

  /** Leaves the studio of one's own accord. */
  async leave(scope: Scope): Promise<void> {
    const { personId, studio } = scope;
    if (personId === null || (await demoCoach(scope.manager)) === personId) throw new DemoAccountProblem();
    await this.keepAnOwner(scope, await this.memberOrThrow(scope, personId));
    const email = await this.addressOf(scope, personId);
    await scope.manager.delete(MembershipEntity, { studioId: studio.id, personId });
    await endLinks(scope.manager, { kind: "invitation", email, studioId: studio.id });
    await this.audit.note(scope, "left", { about: email });
  }

  private async memberOrThrow(scope: Scope, personId: string): Promise<MembershipEntity> {
    const member = await scope.manager.findOneBy(MembershipEntity, { studioId: scope.studio.id, personId });
    if (member === null) throw new UnknownPersonProblem();
    return member;
  }

  /** Throws `LastOwnerProblem` where the studio would be left without an owner. */
  private async keepAnOwner(scope: Scope, leaving: MembershipEntity): Promise<void> {
    if (leaving.role !== "owner") return;
    const owners = await scope.manager.find(MembershipEntity, {
      where: { studioId: scope.studio.id, role: "owner" },
      // Two owners who remove each other at once wait for one another here.
      lock: { mode: "pessimistic_write" },
    });
    if (owners.length < 2) throw new LastOwnerProblem();
  }

  private async addressOf(scope: Scope, personId: string): Promise<string> {
    const person = await scope.manager.findOneBy(PersonEntity, { id: personId });
    return person?.email ?? "";
  }
}
