import { spawn } from "node:child_process";
import { join } from "node:path";
import { KeepingRefusal } from "./refusal.js";

/** PostgreSQL's own programs: from the folder of the running version where it is known, else as installed. */
const folder = () => process.env.MIRRUP_PG_BIN ?? "";

/** Runs one of PostgreSQL's programs to its end. Throws `KeepingRefusal` with the last that it said where it fails. */
export function runProgram(name: "pg_dump" | "pg_restore", args: readonly string[]): Promise<void> {
  return new Promise((resolve, reject) => {
    const child = spawn(join(folder(), name), [...args], { stdio: ["ignore", "ignore", "pipe"] });
    let said = "";
    child.stderr.on("data", (text: Buffer) => (said = (said + text.toString()).slice(-2000)));
    child.once("error", () =>
      reject(new KeepingRefusal(`${name} cannot be run. Install Debian's postgresql-client.`)),
    );
    child.once("close", (code) => {
      if (code === 0) resolve();
      else
        reject(
          new KeepingRefusal(`${name} failed: ${said.trim().split("\n").at(-1) ?? "it did not say why"}`),
        );
    });
  });
}
