/**
 * How large a body may be, by route, settled before anything of it is parsed: what a stranger or a broken device sends
 * costs no more than what hands send there.
 */
import type { INestApplication } from "@nestjs/common";
import express, { type RequestHandler } from "express";
import { declaredRoutes } from "./declared.js";
import { SIZES } from "./size.js";

/** The parsers of the routes that take more than a form, each for its address, and that of all others behind them. */
export function bodyParsers(
  app: INestApplication,
  prefix: string,
): readonly (readonly [string, RequestHandler])[] {
  const larger = declaredRoutes(app).flatMap(({ path, route: { size } }) =>
    size === undefined || size === "form"
      ? []
      : [[prefix + path, express.json({ limit: SIZES[size] })] as const],
  );
  return [...larger, [prefix, express.json({ limit: SIZES.form })]];
}
