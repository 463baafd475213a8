import { AppModule } from "./app.module.js";
import { readConfig } from "./config/config.js";
import { serve } from "./serve.js";

const config = readConfig(process.env);
await serve(AppModule.at(config), config);
