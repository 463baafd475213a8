import { Module } from "@nestjs/common";
import { StandingsModule } from "../standings/index.js";
import { StudioController } from "./studio.controller.js";
import { StudiosController } from "./studios.controller.js";
import { StudiosService } from "./studios.service.js";
import { TeachingService } from "./teaching.service.js";

@Module({
  imports: [StandingsModule],
  controllers: [StudioController, StudiosController],
  providers: [TeachingService, StudiosService],
})
export class StudiosModule {}
