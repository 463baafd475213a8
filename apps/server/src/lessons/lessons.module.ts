import { Module } from "@nestjs/common";
import { GroupsModule } from "../groups/index.js";
import { DoneService } from "./done.service.js";
import { LessonsController } from "./lessons.controller.js";
import { LessonsService } from "./lessons.service.js";

@Module({
  imports: [GroupsModule],
  controllers: [LessonsController],
  providers: [LessonsService, DoneService],
})
export class LessonsModule {}
