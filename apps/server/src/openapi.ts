import type { INestApplication } from "@nestjs/common";
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from "@nestjs/swagger";
import Joi from "joi";

/** The OpenAPI document of the API, made from the routes and the contract's schemas. */
export function openapiOf(app: INestApplication): OpenAPIObject {
  const config = new DocumentBuilder()
    .setTitle("Mirrup")
    .setDescription("Students, their standing on the prerequisite tree, and the log of sets.")
    .setVersion("1")
    .setOpenAPIVersion("3.1.0")
    .build();
  return SwaggerModule.createDocument(app, config, {
    operationIdFactory: (controller, method) => `${controller.replace(/Controller$/, "")}.${method}`,
    standardSchemaConverter: (schema, { schemaType }) => {
      if (!Joi.isSchema(schema)) return undefined;
      const converted = schema["~standard"].jsonSchema[schemaType]({ target: "draft-2020-12" });
      return { schema: converted };
    },
  });
}
