import { problemReply } from "@mirrup/contract/schemas";
import { applyDecorators, HttpCode } from "@nestjs/common";
import { ApiResponse } from "@nestjs/swagger";
import type { Schema } from "joi";

/** What a route answers: its schema on success, a problem document with each listed status. */
export function Reply(schema: Schema, ...problems: readonly number[]): MethodDecorator {
  return applyDecorators(
    HttpCode(200),
    ApiResponse({ status: 200, description: "Done", standardSchema: schema }),
    ...problems.map((status) =>
      ApiResponse({ status, description: "A problem document", standardSchema: problemReply }),
    ),
  );
}
