import type { NextFunction, Request, Response } from "express";
import { OtherSiteProblem } from "../problems/problem.js";

const SAFE = new Set(["GET", "HEAD", "OPTIONS"]);

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

/**
 * Refuses what another site has a browser send with our cookie: a browser says where a request
 * comes from (`Sec-Fetch-Site`, `Origin`). Programs that are no browser say neither, and carry no
 * cookie that they were not given.
 */
export function sameSiteOnly(request: Request, _response: Response, next: NextFunction): void {
  const site = request.get("sec-fetch-site");
  const origin = request.get("origin");
  const fromElsewhere =
    (site !== undefined && site !== "same-origin" && site !== "none") ||
    (origin !== undefined && hostOf(origin) !== request.get("host"));
  if (!SAFE.has(request.method) && fromElsewhere) throw new OtherSiteProblem();
  next();
}
