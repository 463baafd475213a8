import { Module } from "@nestjs/common";
import { StandingsModule } from "../standings/index.js";
import { OwnSkillsController } from "./own-skills.controller.js";
import { OwnSkillsService } from "./own-skills.service.js";
import { StudioController } from "./studio.controller.js";
import { StudiosController } from "./studios.controller.js";
import { StudiosService } from "./studios.service.js";
import { TeachingService } from "./teaching.service.js";

@Module({
  imports: [StandingsModule],
  controllers: [StudioController, StudiosController, OwnSkillsController],
  providers: [TeachingService, StudiosService, OwnSkillsService],
})
export class StudiosModule {}
