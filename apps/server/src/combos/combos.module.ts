import { Module } from "@nestjs/common";
import { StandingsModule } from "../standings/index.js";
import { StudentsModule } from "../students/index.js";
import { ComboStandingsController } from "./combo-standings.controller.js";
import { CombosController, SharedCombosController } from "./combos.controller.js";
import { CombosService } from "./combos.service.js";

@Module({
  imports: [StudentsModule, StandingsModule],
  controllers: [CombosController, SharedCombosController, ComboStandingsController],
  providers: [CombosService],
  exports: [CombosService],
})
export class CombosModule {}
