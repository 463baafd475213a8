import { Module } from "@nestjs/common";
import { StandingsModule } from "../standings/index.js";
import { ArchiveController } from "./archive.controller.js";
import { ArchiveService } from "./archive.service.js";

@Module({
  imports: [StandingsModule],
  controllers: [ArchiveController],
  providers: [ArchiveService],
})
export class ArchiveModule {}
