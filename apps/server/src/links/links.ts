import type { Role } from "@mirrup/contract";
import { createHash, randomBytes } from "node:crypto";
import { IsNull, type EntityManager } from "typeorm";
import { BadLinkProblem } from "../problems/problem.js";
import { LinkEntity } from "./link.entity.js";

const INVITATION_DAYS = 7;
const RESET_HOURS = 2;

function hashOf(token: string): string {
  return createHash("sha256").update(token).digest("hex");
}

function newToken(): string {
  return randomBytes(32).toString("base64url");
}

/** Makes an invitation's link and answers its token, which is kept nowhere. */
export async function makeInvitation(
  manager: EntityManager,
  {
    email,
    role,
    studioId,
    now,
  }: { readonly email: string; readonly role: Role; readonly studioId: string; readonly now: Date },
): Promise<string> {
  const token = newToken();
  const expiresAt = new Date(now.getTime() + INVITATION_DAYS * 86_400_000);
  await manager.insert(LinkEntity, {
    tokenHash: hashOf(token),
    kind: "invitation",
    email,
    studioId,
    role,
    expiresAt,
    usedAt: null,
  });
  return token;
}

/** Makes a link for a new password and answers its token, which is kept nowhere. */
export async function makeReset(manager: EntityManager, email: string, now: Date): Promise<string> {
  const token = newToken();
  const expiresAt = new Date(now.getTime() + RESET_HOURS * 3_600_000);
  const empty = { studioId: null, role: null, usedAt: null };
  await manager.insert(LinkEntity, { tokenHash: hashOf(token), kind: "reset", email, expiresAt, ...empty });
  return token;
}

/** A link that can still be used, without using it up. Throws `BadLinkProblem` for any other. */
export async function knowLink(
  manager: EntityManager,
  token: string,
  kind: LinkEntity["kind"],
  now: Date,
): Promise<LinkEntity> {
  const link = await manager.findOneBy(LinkEntity, { tokenHash: hashOf(token), kind });
  if (link?.usedAt !== null || link.expiresAt <= now) throw new BadLinkProblem();
  return link;
}

/** Ends the links to somebody that are still open: nothing older than what was just done is of use. */
export async function endLinks(
  manager: EntityManager,
  of: Pick<LinkEntity, "kind" | "email"> & Partial<Pick<LinkEntity, "studioId">>,
): Promise<void> {
  await manager.delete(LinkEntity, { ...of, usedAt: IsNull() });
}

/** Uses a link up. Throws `BadLinkProblem` for one that is used, expired or none of ours. */
export async function takeLink(
  manager: EntityManager,
  token: string,
  kind: LinkEntity["kind"],
  now: Date,
): Promise<LinkEntity> {
  const tokenHash = hashOf(token);
  const link = await manager.findOne(LinkEntity, {
    where: { tokenHash, kind },
    lock: { mode: "pessimistic_write" },
  });
  if (link?.usedAt !== null || link.expiresAt <= now) throw new BadLinkProblem();
  await manager.update(LinkEntity, { tokenHash }, { usedAt: now });
  return link;
}
