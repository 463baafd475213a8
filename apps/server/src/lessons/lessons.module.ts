import { Module } from "@nestjs/common";
import { GroupsModule } from "../groups/index.js";
import { StudentsModule } from "../students/index.js";
import { DoneTodayController } from "./done-today.controller.js";
import { DoneService } from "./done.service.js";
import { LessonsController } from "./lessons.controller.js";
import { LessonsService } from "./lessons.service.js";

@Module({
  imports: [GroupsModule, StudentsModule],
  controllers: [LessonsController, DoneTodayController],
  providers: [LessonsService, DoneService],
  exports: [LessonsService],
})
export class LessonsModule {}
