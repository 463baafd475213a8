import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { STUDIO_HEADER } from "@mirrup/contract";
import createClient from "openapi-fetch";
import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { PASSWORD, startTestApp, type TestApp } from "./testing/test-app.js";

interface Operation {
  readonly summary?: string;
  readonly security?: readonly object[];
  readonly parameters?: readonly { readonly name: string }[];
  readonly requestBody?: object;
  readonly responses: Readonly<Record<string, { readonly content?: object }>>;
}
interface Description {
  readonly openapi: string;
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
  readonly components: { readonly schemas: object; readonly securitySchemes: object };
}

let server: TestApp;
let description: Description;

beforeAll(async () => {
  server = await startTestApp();
  description = (await server.get("/api/openapi.json")).body as Description;
});
afterAll(() => server.close());

const operations = () =>
  Object.entries(description.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ name: `${method} ${path}`, operation })),
  );

describe("the API's description", () => {
  it("has each schema once, by its name", () => {
    expect(description.openapi).toBe("3.1.0");
    expect(Object.keys(description.components.schemas).length).toBeGreaterThan(60);
    expect(description.paths["/api/sets"]?.post).toMatchObject({
      requestBody: {
        content: { "application/json": { schema: { $ref: "#/components/schemas/SetsRequest" } } },
      },
      responses: {
        200: { content: { "application/json": { schema: { $ref: "#/components/schemas/SetsReply" } } } },
      },
    });
    expect(description.components.schemas).toMatchObject({
      SetsRequest: { properties: { sets: { items: { $ref: "#/components/schemas/SetRequest" } } } },
    });
  });

  it("says of every route what it does, who may call it and how it refuses", () => {
    expect(description.components.securitySchemes).toMatchObject({
      session: { type: "apiKey", in: "cookie" },
    });
    for (const { name, operation } of operations()) {
      expect(`${name}: ${operation.summary ?? ""}`).toMatch(/: .+/);
      expect(operation.security).toBeDefined();
      const { 429: refusal } = operation.responses;
      expect(refusal?.content).toEqual({
        "application/problem+json": { schema: { $ref: "#/components/schemas/ProblemReply" } },
      });
      const isForMembers = "404" in operation.responses && operation.security?.length === 1;
      const names = operation.parameters?.map((one) => one.name) ?? [];
      if (isForMembers) expect([name, names.includes(STUDIO_HEADER)]).toEqual([name, true]);
    }
  });

  it("makes, by a generator of others, a client that compiles and signs in", async () => {
    const folder = mkdtempSync(join(tmpdir(), "mirrup-client-"));
    const require = createRequire(__filename);
    const packageOf = (name: string) => dirname(require.resolve(`${name}/package.json`));
    try {
      writeFileSync(join(folder, "api.json"), JSON.stringify(description));
      const generator = join(packageOf("openapi-typescript"), "bin/cli.js");
      execFileSync(process.execPath, [generator, join(folder, "api.json"), "-o", join(folder, "api.d.ts")]);
      const client = `
        import createClient from "openapi-fetch";
        import type { paths } from "./api.js";
        const client = createClient<paths>({ baseUrl: "x" });
        export async function names(studio: string): Promise<readonly string[]> {
          await client.POST("/api/auth/sign-in", { body: { email: "a", password: "b" } });
          const { data } = await client.GET("/api/students", { params: { header: { "${STUDIO_HEADER}": studio } } });
          return data?.items?.map((student) => student.name) ?? [];
        }
        // @ts-expect-error -- a sign-in has a password
        void client.POST("/api/auth/sign-in", { body: { email: "a" } });
      `;
      writeFileSync(join(folder, "client.ts"), client);
      const options = {
        ...{ strict: true, noEmit: true, skipLibCheck: true, target: "es2022", lib: ["es2022", "dom"] },
        ...{ module: "esnext", moduleResolution: "bundler", types: [] },
        paths: { "openapi-fetch": [join(packageOf("openapi-fetch"), "dist/index.d.mts")] },
      };
      const project = { compilerOptions: options, files: ["client.ts"] };
      writeFileSync(join(folder, "tsconfig.json"), JSON.stringify(project));
      execFileSync(process.execPath, [join(packageOf("typescript"), "bin/tsc"), "-p", folder], {
        encoding: "utf8",
      });
    } finally {
      rmSync(folder, { recursive: true });
    }
    // Nothing was asked while it compiled, and the server may just be ending a connection that lay idle.
    const asked = (request: Request) => fetch(request.clone()).catch(() => fetch(request));
    const api = createClient<AnyPaths>({ baseUrl: server.address, fetch: asked });
    const { response } = await api.POST("/api/auth/sign-in", {
      body: { email: "owner@hall.example", password: PASSWORD },
    });
    expect(response.status).toBe(200);
  });
});

interface AnyPaths {
  "/api/auth/sign-in": {
    post: {
      requestBody: { content: { "application/json": { email: string; password: string } } };
      responses: { 200: { content: { "application/json": object } } };
    };
  };
}
