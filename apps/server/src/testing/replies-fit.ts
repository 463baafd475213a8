import {
  StreamableFile,
  type CallHandler,
  type ExecutionContext,
  type NestInterceptor,
} from "@nestjs/common";
import { Reflector } from "@nestjs/core";
import type { Request } from "express";
import { map, type Observable } from "rxjs";
import { routeOf } from "../door/declared.js";

/** Fails every answer that is not what its route declares, as a client that trusts the description would. */
export class RepliesFit implements NestInterceptor {
  private readonly reflector = new Reflector();

  intercept(context: ExecutionContext, next: CallHandler<unknown>): Observable<unknown> {
    const { reply } = routeOf(this.reflector, context);
    // A stream is not one answer.
    if (context.switchToHttp().getRequest<Request>().path.endsWith("/stream")) return next.handle();
    return next.handle().pipe(
      map((answer) => {
        // A file is told by its type.
        if (answer instanceof StreamableFile) return answer;
        const sent: unknown = JSON.parse(JSON.stringify(answer));
        const { error } = reply.validate(sent, { convert: false });
        if (error !== undefined)
          throw new Error(`${context.getHandler().name} answers otherwise: ${error.message}`);
        return answer;
      }),
    );
  }
}
