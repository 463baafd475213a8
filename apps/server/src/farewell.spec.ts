import { describe, expect, it } from "@jest/globals";
import { startTestApp } from "./testing/test-app.js";

describe("the server's end", () => {
  it("does not wait for a stream that somebody listens to", async () => {
    const server = await startTestApp();
    const headers = { cookie: server.owner.sessionCookie() };
    const stream = await fetch(`${server.address}/api/handle/stream?tempo=60`, { headers });
    expect(stream.status).toBe(200);
    const heard = stream.text().catch(() => "cut");
    const begun = Date.now();
    await server.app.close();
    expect(Date.now() - begun).toBeLessThan(5000);
    await heard;
    await server.close();
  });
});
