import { buildIfStale } from "./lib/build.mjs";
import { ensureNodeModules } from "./lib/install.mjs";
import { main } from "./lib/stop.mjs";

await main(async () => {
  await ensureNodeModules();
  await buildIfStale();
});
