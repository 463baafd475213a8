import { DEVICE_HEADER } from "@mirrup/contract";
import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from "@nestjs/common";
import { Reflector } from "@nestjs/core";
import type { Request } from "express";
import { defer, lastValueFrom, type Observable } from "rxjs";
import { tellChange } from "./tell-change.js";
import { Scopes } from "../database/scope.js";
import { routeOf } from "./declared.js";
import { follow } from "./naming.js";
import { auditsOf, isSnapshot } from "./route.js";

const DEVICE = /^[\w-]{1,64}$/;

/** Which page asks, where it says so. */
function deviceOf(request: Request): string | null {
  const device = request.get(DEVICE_HEADER);
  return device !== undefined && DEVICE.test(device) ? device : null;
}

/** Opens what a route declares, a snapshot to read or a transaction to write in, and closes it behind the handler. */
@Injectable()
export class Door implements NestInterceptor {
  constructor(
    private readonly reflector: Reflector,
    private readonly scopes: Scopes,
  ) {}

  intercept(context: ExecutionContext, next: CallHandler<unknown>): Observable<unknown> {
    const route = routeOf(this.reflector, context);
    const request = context.switchToHttp().getRequest<Request>();
    const { member } = request;
    if (member === undefined || route.scope === "own") return next.handle();
    const { studioId, personId } = member;
    const mode = isSnapshot(route) ? "read" : "write";
    const work = { studioId, personId, mode, audits: auditsOf(route) } as const;
    return defer(() =>
      this.scopes.run(work, async (scope) => {
        request.scope = scope;
        if (route.kind === "command" && route.follows !== undefined)
          await follow(scope, request, route.follows);
        const answer = await lastValueFrom(next.handle());
        if (route.kind === "command" && route.touches.length > 0 && (route.tells?.(answer) ?? true))
          await tellChange(scope, {
            topics: route.touches,
            studentIds: route.of?.ids(request) ?? [],
            device: deviceOf(request),
          });
        return answer;
      }),
    );
  }
}
