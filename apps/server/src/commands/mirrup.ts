/** `npm run mirrup -- …`: what whoever keeps this Mirrup does with it. */
import { Command } from "commander";
import { existsSync, mkdirSync } from "node:fs";
import { join, resolve } from "node:path";
import { DataSource } from "typeorm";
import { readConfig } from "../config/config.js";
import { databaseOptions } from "../database/data-source.js";
import { NewerSchemaError } from "../database/prepare.js";
import {
  backupName,
  checkBackup,
  examine,
  KeepingRefusal,
  makeBackup,
  makeOwner,
  removeDemo,
  restoreBackup,
} from "../keeping/index.js";
import { rebuildAll } from "../standings/index.js";

const config = readConfig(process.env);
const dataDir = process.env.MIRRUP_DATA ?? ".";
/** Where the command was given: files are named from there. */
const from = process.env.INIT_CWD ?? process.cwd();
const now = new Date();
const say = (sentence: string) => process.stdout.write(`${sentence}\n`);

async function withDatabase<T>(work: (database: DataSource) => Promise<T>): Promise<T> {
  const database = await new DataSource(databaseOptions(config.databaseAdminUrl)).initialize();
  try {
    return await work(database);
  } finally {
    await database.destroy();
  }
}

function backupFile(given: string | undefined): string {
  if (given !== undefined) return resolve(from, given);
  const folder = join(dataDir, "backups");
  if (!existsSync(folder)) mkdirSync(folder, { recursive: true, mode: 0o700 });
  return join(folder, backupName(now));
}

async function check(file: string): Promise<void> {
  const { manifest, standings, unlike } = await checkBackup(config, file, now);
  const { student, practice_set: sets } = manifest.counts;
  if (unlike > 0)
    throw new KeepingRefusal(
      `${unlike} of ${standings} standings are not what the log comes to. The log is whole; run npm run mirrup -- rebuild, and make another backup.`,
    );
  say(
    `The backup is whole: ${student} students, ${sets} sets, and all ${standings} standings as the log has them.`,
  );
}

const program = new Command("npm run mirrup --")
  .description("Keeps a Mirrup: its backups, its health, its owners.")
  .helpCommand(true)
  .showHelpAfterError();

program
  .command("backup")
  .description("save everything to a file, also while Mirrup runs")
  .argument("[file]", "a file that is not there yet; one in the data folder where none is given")
  .option("--check", "then restore it beside, and compare every standing with its log")
  .action(async (given: string | undefined, { check: checks }: { readonly check?: true }) => {
    const file = backupFile(given);
    const { counts } = await makeBackup(config.databaseAdminUrl, file, { version: config.version, now });
    say(
      `Saved ${counts.studio} studios, ${counts.student} students and ${counts.practice_set} sets to ${file}.`,
    );
    if (checks === true) await check(file);
  });

program
  .command("check")
  .description("restore a backup beside, and compare every standing with its log; changes nothing")
  .argument("<file>")
  .action((file: string) => check(resolve(from, file)));

program
  .command("restore")
  .description(
    "put a backup in the place of what is there, which is kept under another name; Mirrup must be stopped",
  )
  .argument("<file>")
  .action(async (given: string) => {
    if (process.env.MIRRUP_RUNS !== undefined)
      throw new KeepingRefusal(
        "Mirrup is running. Stop it first, so that nobody counts into what is put away.",
      );
    const { manifest, kept } = await restoreBackup(config, resolve(from, given), now);
    say(
      `Restored what was saved at ${manifest.madeAt}: ${manifest.counts.student} students, ${manifest.counts.practice_set} sets.`,
    );
    if (kept !== null)
      say(`What was there before is the database ${kept}. Drop it when it is of no use any more.`);
  });

program
  .command("doctor")
  .description("look whether everything is in order")
  .action(async () => {
    const findings = await examine(config, dataDir, now);
    for (const { isWell, sentence } of findings) say(`${isWell ? "well" : "MEND"}  ${sentence}`);
    if (findings.some((one) => !one.isWell)) process.exitCode = 1;
  });

program
  .command("make-owner")
  .description("make somebody an owner, where nobody who could do it can sign in")
  .argument("<e-mail>")
  .option("--studio <name>", "of which studio, where there are several")
  .action(async (email: string, { studio = null }: { readonly studio?: string | null }) => {
    const made = await withDatabase((database) => makeOwner(database, { email, studio, now }));
    if (made.kind === "owner") say(`${email} is an owner of ${made.studio} now.`);
    else
      say(
        `${email} has no account yet. Within seven days, let them open this address of your Mirrup, once:\n  /join#${made.token}`,
      );
  });

program
  .command("remove-demo")
  .description("take the demo club away for good, with its people; your own studio stays")
  .action(async () => {
    const people = await withDatabase(removeDemo);
    say(`The demo club is gone, and ${people} people who belonged to nothing else.`);
    say("Where there is no studio of your own yet, start with --no-demo, or the demo comes back.");
  });

program
  .command("rebuild")
  .description("make every standing anew from the log")
  .action(async () => {
    await withDatabase(rebuildAll);
    say("The standings were made anew from the log.");
  });

try {
  await program.parseAsync();
} catch (error) {
  if (!(error instanceof KeepingRefusal) && !(error instanceof NewerSchemaError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
