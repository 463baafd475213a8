import { createServer } from "node:net";

/** Whether a program may listen at `host` and `port`: null, or the error's code. */
export function listenFault(port, host) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once("error", (error) => resolve(error.code));
    server.listen({ port, host, exclusive: true }, () => server.close(() => resolve(null)));
  });
}

/** A port on loopback that is free now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once("error", reject);
    server.listen(0, "127.0.0.1", () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}
