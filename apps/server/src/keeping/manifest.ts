import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { readFile, stat } from "node:fs/promises";
import { join } from "node:path";
import Joi from "joi";
import { KeepingRefusal } from "./refusal.js";

export const MANIFEST = "manifest.json";
export const DUMP = "database.dump";
const FORMAT = "mirrup-backup";
const VERSION = 1;

/** What stands beside the database in a backup: what it is, and how it can be told that it is whole. */
export interface Manifest {
  readonly format: typeof FORMAT;
  readonly version: typeof VERSION;
  readonly madeAt: string;
  /** The Mirrup that made it. */
  readonly mirrup: string;
  /** The steps of the schema that it has, in order. */
  readonly schema: readonly string[];
  readonly counts: Readonly<Record<Counted, number>>;
  readonly dump: { readonly bytes: number; readonly sha256: string };
}

/** Tables whose rows are counted. */
export const COUNTED = ["studio", "student", "practice_set", "decision"] as const;
export type Counted = (typeof COUNTED)[number];

const count = () => Joi.number().integer().min(0).required();
const manifest = Joi.object<Manifest>({
  format: Joi.string().valid(FORMAT).required(),
  version: Joi.number().valid(VERSION).required(),
  madeAt: Joi.string().isoDate().required(),
  mirrup: Joi.string().required(),
  schema: Joi.array().items(Joi.string()).required(),
  counts: Joi.object(Object.fromEntries(COUNTED.map((table) => [table, count()]))).required(),
  dump: Joi.object({ bytes: count(), sha256: Joi.string().hex().length(64).required() }).required(),
}).unknown();

async function digestOf(file: string): Promise<string> {
  const hash = createHash("sha256");
  for await (const part of createReadStream(file)) hash.update(part as Buffer);
  return hash.digest("hex");
}

/** The dump's size and digest. */
export async function measureDump(folder: string): Promise<Manifest["dump"]> {
  const file = join(folder, DUMP);
  return { bytes: (await stat(file)).size, sha256: await digestOf(file) };
}

export const manifestOf = (what: Omit<Manifest, "format" | "version">): Manifest => ({
  ...{ format: FORMAT, version: VERSION },
  ...what,
});

/** Reads the manifest of an opened backup and checks the dump by it. Throws `KeepingRefusal` for what is not whole. */
export async function readManifest(folder: string): Promise<Manifest> {
  let written: unknown;
  try {
    written = JSON.parse(await readFile(join(folder, MANIFEST), "utf8"));
  } catch {
    throw new KeepingRefusal("This is no backup of Mirrup's: it has no manifest that can be read.");
  }
  const result = manifest.validate(written);
  const { error } = result;
  if (error !== undefined)
    throw new KeepingRefusal(
      `This backup cannot be read by this Mirrup: ${error.message}. Take a newer Mirrup.`,
    );
  const value = result.value;
  const found = await measureDump(folder).catch(() => null);
  if (found?.bytes !== value.dump.bytes || found.sha256 !== value.dump.sha256)
    throw new KeepingRefusal("This backup is damaged: its data are not what was saved. Take another one.");
  return value;
}
