import { Module } from "@nestjs/common";
import { StandingsModule } from "../standings/index.js";
import { StudentsModule } from "../students/index.js";
import { DecisionsController } from "./decisions.controller.js";
import { DecisionsService } from "./decisions.service.js";

@Module({
  imports: [StandingsModule, StudentsModule],
  controllers: [DecisionsController],
  providers: [DecisionsService],
})
export class DecisionsModule {}
