import type { DynamicModule } from "@nestjs/common";
import { fileURLToPath } from "node:url";
import { createApp } from "./app.js";
import { createSessions } from "./auth/session.js";
import type { Config } from "./config/config.js";
import { createLogger } from "./logger.js";

/** As long as ending in order may take. */
const LONGEST_END_MS = 8000;

/** Listens as configured, and tells the parent process when it does. */
export async function serve(module: DynamicModule, config: Config): Promise<void> {
  const logger = createLogger(config.logLevel);
  const webDir = fileURLToPath(new URL("../../web/dist", import.meta.url));
  const sessions = createSessions(config.databaseUrl, config.sessionSecret, config.tls !== null);
  const app = await createApp({
    module,
    logger,
    sessions,
    tls: config.tls,
    publicUrl: config.publicUrl,
    webDir,
  });
  await app.listen(config.port, config.host);
  logger.info({ host: config.host, port: config.port }, "listening");
  process.send?.("listening");
  // The start script is the parent; when it is gone, nothing else would ever stop this process.
  process.on("disconnect", () => {
    process.kill(process.pid, "SIGTERM");
    // Nobody is left who would insist.
    setTimeout(() => process.exit(1), LONGEST_END_MS).unref();
  });
}
