import type { ProblemError } from "@mirrup/contract";
import {
  Injectable,
  StandardSchemaValidationPipe,
  type ArgumentMetadata,
  type StandardSchemaValidationPipeOptions,
} from "@nestjs/common";
import { isBeyondBounds } from "./body-bounds.js";
import { InvalidRequestProblem, TooLargeProblem } from "./problem.js";

type Issues = Parameters<NonNullable<StandardSchemaValidationPipeOptions["exceptionFactory"]>>[0];
type ContractSchema = NonNullable<ArgumentMetadata["schema"]>;

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

/** The list of a batch, by its key; null where a body has none, or several. */
function listOf(body: unknown): readonly [key: string, items: readonly unknown[]] | null {
  if (typeof body !== "object" || body === null) return null;
  const lists = Object.entries(body).flatMap(([key, own]: [string, unknown]) =>
    Array.isArray(own) ? [[key, own as readonly unknown[]] as const] : [],
  );
  return lists.length === 1 ? (lists[0] ?? null) : null;
}

/** Items of a batch that are looked at together for what is wrong with them. */
const CHUNK = 25;
/** A sentence names the field alone: where it stands is said beside, and a part of a batch has places of its own. */
const SENTENCES = { label: "key" };
const checked = (schema: ContractSchema, value: unknown, abortEarly: boolean) =>
  schema["~standard"].validate(value, { libraryOptions: { abortEarly, convert: false, errors: SENTENCES } });

/**
 * What is wrong with a value that does not fit, up to the most: of a batch as many items are looked at as it takes,
 * since naming a fault costs more than finding that there is one.
 */
async function faultsOf(schema: ContractSchema, value: unknown): Promise<readonly ProblemError[]> {
  const list = listOf(value);
  const [key = "", items = []] = list ?? [];
  if (items.length <= CHUNK)
    return ((await checked(schema, value, false)).issues ?? []).map((issue) => problemError(issue, value));
  const errors: ProblemError[] = [];
  for (let from = 0; from < items.length && errors.length < MOST_ERRORS; from += CHUNK) {
    const part = { ...(value as object), [key]: items.slice(from, from + CHUNK) };
    const { issues = [] } = await checked(schema, part, false);
    for (const issue of issues) {
      const error = problemError(issue, part);
      // What is wrong with the rest of the body is said once.
      if (error.item === undefined && from > 0) continue;
      errors.push(error.item === undefined ? error : { ...error, item: error.item + from });
    }
  }
  if (errors.length > 0) return errors;
  // Only as a whole it does not fit: too many items, or two of one id.
  return ((await checked(schema, value, true)).issues ?? []).map((issue) => problemError(issue, value));
}

/** Checks bodies, queries and parameters against the contract's schema, without converting types. */
@Injectable()
export class ContractPipe extends StandardSchemaValidationPipe {
  constructor() {
    super({ validateOptions: { libraryOptions: { abortEarly: true, convert: false } } });
  }

  override async transform<T>(value: T, metadata: ArgumentMetadata): Promise<T> {
    // What the door hands to a handler came from nobody outside.
    if (metadata.type === "custom") return value;
    if (isBeyondBounds(value)) throw new TooLargeProblem();
    const path = unstorablePath(value);
    if (path !== null) {
      const message = "has a character that cannot be stored; leave it out";
      throw new InvalidRequestProblem([problemError({ message, path }, value)]);
    }
    return super.transform(value, metadata);
  }

  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- as the pipe that it goes on from
  override async validate<T>(
    value: unknown,
    schema: ContractSchema,
    options?: Record<string, unknown>,
  ): Promise<{ readonly value: T }> {
    const result = await super.validate<T>(value, schema, options);
    if (result.issues === undefined) return result;
    throw new InvalidRequestProblem((await faultsOf(schema, value)).slice(0, MOST_ERRORS));
  }
}
