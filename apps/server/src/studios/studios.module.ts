import { Module } from "@nestjs/common";
import { AuditModule } from "../audit/index.js";
import { StandingsModule } from "../standings/index.js";
import { StudioController } from "./studio.controller.js";
import { TeachingService } from "./teaching.service.js";

@Module({
  imports: [StandingsModule, AuditModule],
  controllers: [StudioController],
  providers: [TeachingService],
})
export class StudiosModule {}
