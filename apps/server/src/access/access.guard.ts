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
import { ACCESS, mayAct, type Access } from "./access.js";

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** Settles who asks, for which studio and as what, before anything of the request is read. */
@Injectable()
export class AccessGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    @InjectDataSource() private readonly database: DataSource,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const access = this.reflector.get<Access | undefined>(ACCESS, context.getHandler());
    if (access === undefined) throw new Error(`${context.getHandler().name} does not say who may call it.`);
    if (access.kind === "public") return true;
    const request = context.switchToHttp().getRequest<Request>();
    const { personId } = request.session;
    if (personId === undefined) throw new NotSignedInProblem();
    if (access.kind === "signed-in") return true;
    const studioId = request.get(STUDIO_HEADER);
    if (studioId === undefined) throw new NoStudioNamedProblem();
    const role = UUID.test(studioId) ? await this.roleIn(personId, studioId) : undefined;
    if (role === undefined) throw new UnknownStudioProblem();
    if (!mayAct(role, access.least)) throw new ForbiddenProblem(access.least);
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
