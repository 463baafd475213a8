/** Writes the JSON Schemas of files to docs/ from the contract: `npm run schemas`. */
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { buildIfStale } from "./lib/build.mjs";
import { ensureNodeModules, ROOT } from "./lib/install.mjs";
import { main } from "./lib/stop.mjs";

await main(async () => {
  await ensureNodeModules();
  await buildIfStale();
  const { publishedSchemas } = await import("../packages/contract/dist/published.js");
  for (const [name, schema] of Object.entries(publishedSchemas())) {
    writeFileSync(join(ROOT, "docs", name), `${JSON.stringify(schema, null, 2)}\n`);
  }
});
