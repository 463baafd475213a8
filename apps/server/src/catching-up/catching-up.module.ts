import { Module } from "@nestjs/common";
import { ChangesModule } from "../changes/index.js";
import { StandingsModule } from "../standings/index.js";
import { CatchingUpController } from "./catching-up.controller.js";
import { CatchingUp } from "./catching-up.js";

@Module({
  imports: [ChangesModule, StandingsModule],
  controllers: [CatchingUpController],
  providers: [CatchingUp],
})
export class CatchingUpModule {}
