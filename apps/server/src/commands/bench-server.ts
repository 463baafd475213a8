/** The server with the bench's reference route beside its own. */
import { AppModule } from "../app.module.js";
import { BenchModule } from "../bench/index.js";
import { readConfig } from "../config/config.js";
import { serve } from "../serve.js";

const config = readConfig(process.env);
const app = AppModule.at(config);
await serve({ ...app, imports: [...(app.imports ?? []), BenchModule] }, config);
