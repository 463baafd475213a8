import { createParamDecorator, type ExecutionContext } from "@nestjs/common";
import type { Request } from "express";
import type { Member, Scope } from "../database/scope.js";

declare module "express" {
  interface Request {
    /** Set by the guard on routes for members. */
    member?: Member;
    /** Set by the door for as long as the route's transaction lasts. */
    scope?: Scope;
  }
}

/** The member that the guard let in. */
export const Asking = createParamDecorator((_data: unknown, context: ExecutionContext): Member => {
  const { member } = context.switchToHttp().getRequest<Request>();
  if (member === undefined) throw new Error("@Asking() stands on a route that is not for members.");
  return member;
});

/** The scope that the door opened: whose rows, in which transaction. */
export const Within = createParamDecorator((_data: unknown, context: ExecutionContext): Scope => {
  const { scope } = context.switchToHttp().getRequest<Request>();
  if (scope === undefined) throw new Error("@Within() stands on a route that has no scope opened for it.");
  return scope;
});
