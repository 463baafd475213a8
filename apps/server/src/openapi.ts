import * as schemas from "@mirrup/contract/schemas";
import { STUDIO_HEADER, type Role } from "@mirrup/contract";
import type { INestApplication } from "@nestjs/common";
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from "@nestjs/swagger";
import Joi from "joi";
import { roleOf } from "./door/access.js";
import { declaredRoutes, refusalsOf, type Route } from "./door/index.js";

type Json = Record<string, unknown>;

const SESSION = "session";
const METHODS = ["get", "put", "post", "patch", "delete"] as const;

/** The contract's schemas by the names that the description gives them: `studentReply` as `StudentReply`. */
const NAMES: ReadonlyMap<Joi.Schema, string> = new Map(
  Object.entries(schemas).flatMap(([name, schema]) =>
    Joi.isSchema(schema) ? [[schema, name.charAt(0).toUpperCase() + name.slice(1)] as const] : [],
  ),
);

function converted(schema: Joi.Schema, way: "input" | "output"): Json {
  return schema["~standard"].jsonSchema[way]({ target: "draft-2020-12" });
}

/** The objects among them: what is less than that is said where it stands. */
function namedSchemas(): ReadonlyMap<string, Json> {
  const all = [...NAMES].map(([schema, name]) => [name, converted(schema, "output")] as const);
  return new Map(all.filter(([, schema]) => schema.type === "object"));
}

const refTo = (name: string) => ({ $ref: `#/components/schemas/${name}` });

function isJson(value: unknown): value is Json {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

/** A schema in which every part that is a named one too is a reference to it. */
function withReferences(schema: unknown, nameOf: ReadonlyMap<string, string>, isOwn: boolean): unknown {
  if (Array.isArray(schema)) return schema.map((part) => withReferences(part, nameOf, false));
  if (!isJson(schema)) return schema;
  const name = isOwn ? undefined : nameOf.get(JSON.stringify(schema));
  if (name !== undefined) return refTo(name);
  return Object.fromEntries(
    Object.entries(schema).map(([key, part]) => [key, withReferences(part, nameOf, false)]),
  );
}

type Operation = NonNullable<OpenAPIObject["paths"][string]["get"]>;

function membersWords(role: Role): string {
  const who = { viewer: "every member", coach: "coaches and owners", owner: "owners" }[role];
  return `For ${who} of the studio that the header names.`;
}

/** An operation with every refusal of its route, and what has to come along with a request. */
function described(operation: Operation, route: Route): Operation {
  const problem = {
    description: "A problem document (RFC 9457)",
    content: { "application/problem+json": { schema: refTo("ProblemReply") } },
  };
  const refusals = Object.fromEntries(refusalsOf(route).map((status) => [String(status), problem]));
  const said = {
    ...operation,
    responses: { ...operation.responses, ...refusals },
    security: route.for === "public" ? [] : [{ [SESSION]: [] }],
  };
  const role = roleOf(route.for);
  if (role === null) return said;
  const schema = { type: "string", format: "uuid" };
  const header = { name: STUDIO_HEADER, in: "header" as const, required: true, schema };
  return { ...said, description: membersWords(role), parameters: [...(operation.parameters ?? []), header] };
}

/** The OpenAPI document of the API, made from what the routes declare and the contract's schemas. */
export function openapiOf(app: INestApplication): OpenAPIObject {
  const config = new DocumentBuilder()
    .setTitle("Mirrup")
    .setDescription("Students, their standing on the prerequisite tree, and the log of sets.")
    .setVersion("1")
    .setOpenAPIVersion("3.1.0")
    .addCookieAuth("mirrup", { type: "apiKey", description: "Given by signing in." }, SESSION)
    .build();
  const named = namedSchemas();
  const document = SwaggerModule.createDocument(app, config, {
    operationIdFactory: (controller, method) => `${controller.replace(/Controller$/, "")}.${method}`,
    standardSchemaConverter: (schema, { schemaType }) => {
      if (!Joi.isSchema(schema)) return undefined;
      const name = NAMES.get(schema);
      return { schema: name !== undefined && named.has(name) ? refTo(name) : converted(schema, schemaType) };
    },
  });
  const nameOf = new Map([...named].map(([name, schema]) => [JSON.stringify(schema), name]));
  const components = [...named].map(([name, schema]) => [name, withReferences(schema, nameOf, true)]);
  document.components = { ...document.components, schemas: Object.fromEntries(components) as never };
  const routes = new Map(declaredRoutes(app).map(({ id, route }) => [id, route]));
  for (const path of Object.values(document.paths))
    for (const method of METHODS) {
      const operation = path[method];
      const route = routes.get(operation?.operationId ?? "");
      if (operation !== undefined && route !== undefined) path[method] = described(operation, route);
    }
  return document;
}
