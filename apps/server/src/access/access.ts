import type { Role } from "@mirrup/contract";
import { createParamDecorator, SetMetadata, type ExecutionContext } from "@nestjs/common";
import type { Request } from "express";
import type { Member } from "../database/scope.js";

/** What a route asks of whoever calls it. A route that says nothing is closed to everybody. */
export type Access =
  | { readonly kind: "public" }
  | { readonly kind: "signed-in" }
  | { readonly kind: "member"; readonly least: Role };

export const ACCESS = "mirrup:access";

/** Open to everybody, signed in or not. */
export const Public = () => SetMetadata<string, Access>(ACCESS, { kind: "public" });

/** For anybody who is signed in, whatever their studio. */
export const SignedIn = () => SetMetadata<string, Access>(ACCESS, { kind: "signed-in" });

/** For members of the studio that the request names, with at least this role. */
export const For = (least: Role) => SetMetadata<string, Access>(ACCESS, { kind: "member", least });

const RANK: Readonly<Record<Role, number>> = { viewer: 0, coach: 1, owner: 2 };

export function mayAct(role: Role, least: Role): boolean {
  return RANK[role] >= RANK[least];
}

declare module "express" {
  interface Request {
    /** Set by the guard on routes for members. */
    member?: Member;
  }
}

/** The member that the guard let in. */
export const Asking = createParamDecorator((_data: unknown, context: ExecutionContext): Member => {
  const { member } = context.switchToHttp().getRequest<Request>();
  if (member === undefined) throw new Error("@Asking() stands on a route that is not marked @For(role).");
  return member;
});
