import { ROLES, STUDIO_HEADER, type Role } from "@mirrup/contract";
import { Injectable, type CanActivate, type ExecutionContext } from "@nestjs/common";
import { Reflector } from "@nestjs/core";
import { InjectDataSource } from "@nestjs/typeorm";
import type { Request } from "express";
import type { DataSource } from "typeorm";
import {
  ForbiddenProblem,
  NoStudioNamedProblem,
  NotSignedInProblem,
  UnknownStudioProblem,
} from "../problems/problem.js";
import { mayAct, roleOf } from "./access.js";
import { Paces } from "./pace.js";
import { routeOf } from "./declared.js";

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** Settles who asks, how often, for which studio and as what, before anything of the request is read. */
@Injectable()
export class AccessGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    @InjectDataSource() private readonly database: DataSource,
    private readonly paces: Paces,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const route = routeOf(this.reflector, context);
    const request = context.switchToHttp().getRequest<Request>();
    // Whether Mirrup is there is always told, and no session was looked for.
    const personId = route.for === "public" ? undefined : request.session.personId;
    if (route.for !== "public" && personId === undefined) throw new NotSignedInProblem();
    await this.paces.take(route.pace ?? "usual", personId ?? request.ip ?? "");
    const least = roleOf(route.for);
    if (least === null || personId === undefined) return true;
    const studioId = request.get(STUDIO_HEADER);
    if (studioId === undefined) throw new NoStudioNamedProblem();
    const role = UUID.test(studioId) ? await this.roleIn(personId, studioId) : undefined;
    if (role === undefined) throw new UnknownStudioProblem();
    if (!mayAct(role, least)) throw new ForbiddenProblem(least);
    request.member = { personId, studioId, role };
    return true;
  }

  private async roleIn(personId: string, studioId: string): Promise<Role | undefined> {
    const rows: unknown = await this.database.query("SELECT mirrup_role_in_studio($1, $2) AS role", [
      personId,
      studioId,
    ]);
    const [row] = rows as readonly { readonly role: string | null }[];
    return ROLES.find((role) => role === row?.role);
  }
}
