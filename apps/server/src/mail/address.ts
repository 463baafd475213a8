import type { Request } from "express";

/** The setting of the Express application that holds the configured address. */
export const PUBLIC_ADDRESS = "public address";

const NEARBY_NAME = /^(localhost|[a-z0-9-]+|.+\.(localhost|local|lan|internal|home\.arpa))$/i;
const NEARBY_IPV4 = /^(127|10|192\.168|169\.254|172\.(1[6-9]|2\d|3[01]))\./;
const NEARBY_IPV6 = /^\[(::1\]|f[cd]|fe[89ab])/i;

/** Whether a host is this machine or one of its own network: nobody outside answers to such a name. */
export function isNearby(host: string): boolean {
  const isNumber = /^\d+(\.\d+){3}$/.test(host);
  return isNumber ? NEARBY_IPV4.test(host) : NEARBY_NAME.test(host) || NEARBY_IPV6.test(host);
}

/**
 * Where links in letters lead: the configured address, or else the name by which the request came, if it is one of
 * the own network. Whoever asks writes that name, and a letter must not carry a live link to a stranger's host.
 */
export function letterAddress(request: Request): string {
  const known: unknown = request.app.get(PUBLIC_ADDRESS);
  if (typeof known === "string") return known;
  const own = `${request.protocol}://localhost:${request.socket.localPort}`;
  const asked = `${request.protocol}://${request.get("host") ?? ""}`;
  if (!URL.canParse(asked)) return own;
  const { hostname, origin } = new URL(asked);
  return isNearby(hostname) ? origin : own;
}
