/**
 * What a route says of itself. Who may call it, how often, in what kind of transaction, what the audit trail is told
 * and what the API's description says of it all follow from this one declaration.
 */
import type { AuditAction, Topic } from "@mirrup/contract";
import { applyDecorators, HttpCode, SetMetadata } from "@nestjs/common";
import { ApiOperation, ApiResponse } from "@nestjs/swagger";
import type { Schema } from "joi";
import { roleOf, type Least } from "./access.js";
import type { Naming } from "./naming.js";
import type { Pace } from "./pace.js";
import type { Size } from "./size.js";

interface Said {
  /** What it does, in a few words. */
  readonly says: string;
  readonly for: Least;
  readonly reply: Schema;
  /** Statuses of its own refusals, beside those that anything of its kind can be refused with. */
  readonly refuses?: readonly (401 | 404 | 409 | 410 | 413 | 422)[];
  /** How often it may be asked for; `usual` where nothing is said. */
  readonly pace?: Pace;
  /** How large its body may be; `form` where nothing is said. */
  readonly size?: Size;
  /** `own` for what searches for long and holds no connection meanwhile: its handler opens its scopes itself. */
  readonly scope?: "own";
}

/** Why the audit trail is told nothing of a command. */
export interface Untold {
  readonly because: string;
}
export type Told = readonly AuditAction[] | Untold;

interface Commanded {
  readonly audit: Told;
  /** What of the studio it changes, for whoever has it on a screen. */
  readonly touches: readonly Topic[];
  /** Whether an answer means that anything is another than before; it does where nothing is said. */
  readonly tells?: (answer: unknown) => boolean;
  /** Whose, where it is of some students alone. */
  readonly of?: Naming;
  /**
   * Where it names the children whom it is about, however many records they have; nothing where it is about a record.
   * What it names is followed to the record that is kept.
   */
  readonly follows?: Naming;
}

export type Route = Said &
  (
    | { readonly kind: "reading"; readonly audit?: readonly AuditAction[] }
    | ({ readonly kind: "command" } & Commanded)
  );

export const ROUTE = "mirrup:route";

/** The actions of which a route may tell the audit trail. */
export function auditsOf(route: Route): readonly AuditAction[] {
  return route.audit === undefined || "because" in route.audit ? [] : route.audit;
}

/** Of a reading that leaves no trace. */
export const isSnapshot = (route: Route): boolean => route.kind === "reading" && auditsOf(route).length === 0;

/** Every status of a refusal that a route can answer with. */
export function refusalsOf({ for: least, refuses = [] }: Route): readonly number[] {
  const asked = least === "public" ? [] : [401];
  const named = roleOf(least) === null ? [] : [404];
  const ranked = roleOf(least) === null || least === "viewer" ? [] : [403];
  return [...new Set([400, ...asked, ...named, ...ranked, ...refuses, 429, 503])].sort();
}

function route(says: Route): MethodDecorator {
  return applyDecorators(
    SetMetadata<string, Route>(ROUTE, says),
    HttpCode(200),
    ApiOperation({ summary: says.says }),
    ApiResponse({ status: 200, description: "Done", standardSchema: says.reply }),
  );
}

/** Reads, and changes nothing but the audit trail where it says so. */
export const Reading = (says: Said & { readonly audit?: readonly AuditAction[] }): MethodDecorator =>
  route({ kind: "reading", ...says });

/** Changes something; says what the audit trail is told of it, or why nothing. */
export const Command = (says: Said & Commanded): MethodDecorator => route({ kind: "command", ...says });
