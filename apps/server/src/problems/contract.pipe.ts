import type { ProblemError } from "@mirrup/contract";
import {
  Injectable,
  StandardSchemaValidationPipe,
  type ArgumentMetadata,
  type StandardSchemaValidationPipeOptions,
} from "@nestjs/common";
import { InvalidRequestProblem } from "./problem.js";

type Issues = Parameters<NonNullable<StandardSchemaValidationPipeOptions["exceptionFactory"]>>[0];

class SchemaIssues extends Error {
  constructor(readonly issues: Issues) {
    super("schema issues");
  }
}

function fieldOf(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, key) => {
    if (typeof key === "number") return `${text}[${key}]`;
    return text === "" ? String(key) : `${text}.${String(key)}`;
  }, "");
}

function idAt(value: unknown, list: PropertyKey, index: number): string | undefined {
  if (typeof value !== "object" || value === null) return undefined;
  const items: unknown = Reflect.get(value, list);
  const item: unknown = Array.isArray(items) ? items[index] : undefined;
  const id: unknown = typeof item === "object" && item !== null ? Reflect.get(item, "id") : undefined;
  return typeof id === "string" ? id : undefined;
}

/** Names the item of a batch (`sets[3].clean` is item 3, field `clean`) and its id where it has one. */
function problemError(issue: Issues[number], value: unknown): ProblemError {
  const path = (issue.path ?? []).map((part) => (typeof part === "object" ? part.key : part));
  const [list, index, ...rest] = path;
  const message = `${issue.message}.`;
  const code = "does-not-fit";
  if (list === undefined || typeof index !== "number") return { field: fieldOf(path), code, message };
  const id = idAt(value, list, index);
  return { item: index, ...(id === undefined ? {} : { id }), field: fieldOf(rest), code, message };
}

/** No database stores these: the character nought, and halves of a character. */
const UNSTORABLE = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;
const MOST_ERRORS = 50;

/** Where a value has text that cannot be stored; null for nowhere. */
function unstorablePath(value: unknown): readonly PropertyKey[] | null {
  if (typeof value === "string") return UNSTORABLE.test(value) ? [] : null;
  if (typeof value !== "object" || value === null) return null;
  const list = Array.isArray(value);
  for (const [key, own] of Object.entries(value)) {
    const path = UNSTORABLE.test(key) ? [] : unstorablePath(own);
    if (path !== null) return [list ? Number(key) : key, ...path];
  }
  return null;
}

/** Checks bodies, queries and parameters against the contract's schema, without converting types. */
@Injectable()
export class ContractPipe extends StandardSchemaValidationPipe {
  constructor() {
    super({
      validateOptions: { libraryOptions: { abortEarly: false, convert: false } },
      exceptionFactory: (issues) => new SchemaIssues(issues),
    });
  }

  override async transform<T>(value: T, metadata: ArgumentMetadata): Promise<T> {
    const path = unstorablePath(value);
    if (path !== null) {
      const message = "has a character that cannot be stored; leave it out";
      throw new InvalidRequestProblem([problemError({ message, path }, value)]);
    }
    try {
      return await super.transform(value, metadata);
    } catch (error) {
      if (!(error instanceof SchemaIssues)) throw error;
      throw new InvalidRequestProblem(
        error.issues.slice(0, MOST_ERRORS).map((issue) => problemError(issue, value)),
      );
    }
  }
}
