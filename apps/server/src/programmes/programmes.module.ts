import { Module } from "@nestjs/common";
import { GroupsModule } from "../groups/index.js";
import { StandingsModule } from "../standings/index.js";
import { StudentsModule } from "../students/index.js";
import { ProgrammesController } from "./programmes.controller.js";
import { ProgrammesService } from "./programmes.service.js";

@Module({
  imports: [StudentsModule, StandingsModule, GroupsModule],
  controllers: [ProgrammesController],
  providers: [ProgrammesService],
})
export class ProgrammesModule {}
