import { randomInt } from "node:crypto";
import { createServer } from "node:net";

/** Whether a program may listen at `host` and `port`: null, or the error's code. */
export function listenFault(port, host) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once("error", (error) => resolve(error.code));
    server.listen({ port, host, exclusive: true }, () => server.close(() => resolve(null)));
  });
}

/** Below those that systems lend to connections, which could take one between being found and being used. */
const OURS = { least: 20_000, most: 32_000 };

/** A port on loopback that is free now, and is lent to nobody's connection. */
export async function freePort() {
  for (;;) {
    const port = randomInt(OURS.least, OURS.most);
    if ((await listenFault(port, "127.0.0.1")) === null) return port;
  }
}
