/** An archive on its way: packed out of a folder, and unpacked into one. */
import { createWriteStream } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Transform, type Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { create, extract } from "tar";
import { BadArchiveProblem } from "../problems/problem.js";
import { ARCHIVED, linesFile, MANIFEST, STUDIO } from "./tables.js";

/** Far more than a hundred students count in a hundred years; what is larger is none of ours. */
const MOST_PACKED_BYTES = 2_000_000_000;
const MOST_UNPACKED_BYTES = 20_000_000_000;

export const makeFolder = () => mkdtemp(join(tmpdir(), "mirrup-archive-"));
/** What was unpacked of a file that broke off may still be on its way to the disk. */
export const dropFolder = (folder: string) =>
  rm(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 50 });

/** The files of a folder as one packed stream; the folder is gone once that has ended, however. */
export function packed(folder: string, files: readonly string[]): Readable {
  const stream = create({ cwd: folder, gzip: true, portable: true }, [...files]) as unknown as Readable;
  const drop = () => void dropFolder(folder);
  stream.on("end", drop).on("close", drop).on("error", drop);
  return stream;
}

/** What is read back of an archive: its sheets are for people. */
const READ_BACK: ReadonlySet<string> = new Set([
  ...[MANIFEST, STUDIO],
  ...ARCHIVED.map(({ name }) => linesFile(name)),
]);

function atMost(bytes: number): Transform {
  let passed = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      passed += chunk.length;
      if (passed > bytes) done(new BadArchiveProblem("It is larger than any studio's."));
      else done(null, chunk);
    },
  });
}

/** Unpacks what is sent into a folder: the files that are read back, and nothing else. */
export async function unpack(sent: Readable, folder: string): Promise<void> {
  const file = join(folder, "sent.tar.gz");
  await pipeline(sent, atMost(MOST_PACKED_BYTES), createWriteStream(file, { mode: 0o600 }));
  let unpacked = 0;
  try {
    await extract({
      ...{ file, cwd: folder, strict: true },
      filter: (path, entry) => {
        if (!("type" in entry) || entry.type !== "File" || !READ_BACK.has(path)) return false;
        unpacked += entry.size;
        return unpacked <= MOST_UNPACKED_BYTES;
      },
    });
  } catch {
    throw new BadArchiveProblem("It is damaged, or no archive. Choose the file that a studio was saved to.");
  }
}
