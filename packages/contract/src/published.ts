/** The JSON Schemas of files that other programs may write and read, by their names in docs/. */
import type Joi from "joi";
import { skillsFile } from "./own-skill-schemas.js";
import { gate } from "./schema-parts.js";

type Json = Readonly<Record<string, unknown>>;

function converted(schema: Joi.Schema): Json {
  const { $schema: _own, ...rest } = schema["~standard"].jsonSchema.output({ target: "draft-2020-12" });
  return rest;
}

/** A schema in which every part that is `def` is a reference to it. */
function withReference(schema: unknown, def: string, ref: string): unknown {
  if (Array.isArray(schema)) return schema.map((part) => withReference(part, def, ref));
  if (typeof schema !== "object" || schema === null) return schema;
  if (JSON.stringify(schema) === def) return { $ref: ref };
  return Object.fromEntries(
    Object.entries(schema).map(([key, part]) => [key, withReference(part, def, ref)]),
  );
}

function published(schema: Joi.Schema, title: string): Json {
  const own = converted(gate);
  return {
    ...{ $schema: "https://json-schema.org/draft/2020-12/schema", title },
    ...(withReference(converted(schema), JSON.stringify(own), "#/$defs/gate") as Json),
    $defs: { gate: own },
  };
}

export function publishedSchemas(): Readonly<Record<string, Json>> {
  return {
    "skills.schema.json": published(skillsFile, "A studio's own skills, names, gates and programmes"),
  };
}
