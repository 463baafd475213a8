import { Injectable, type OnModuleDestroy } from "@nestjs/common";
import { HttpAdapterHost } from "@nestjs/core";
import type { Server } from "node:http";

/** As long as what is being stored may take to be answered. */
const LONGEST_MS = 2000;

/**
 * Lets the server end while pages go on asking: over connections that they keep, each would otherwise ask again before
 * its connection is idle, and the server would wait for that for ever. What is under way is answered first.
 */
@Injectable()
export class Farewell implements OnModuleDestroy {
  constructor(private readonly host: HttpAdapterHost) {}

  onModuleDestroy(): void {
    const server = this.host.httpAdapter.getHttpServer() as Server;
    server.prependListener("request", (_request, response) => {
      response.setHeader("Connection", "close");
    });
    setTimeout(() => server.closeAllConnections(), LONGEST_MS).unref();
  }
}
