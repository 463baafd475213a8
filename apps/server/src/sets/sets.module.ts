import { Module } from "@nestjs/common";
import { StandingsModule } from "../standings/index.js";
import { SetsController } from "./sets.controller.js";
import { SetsService } from "./sets.service.js";

@Module({
  imports: [StandingsModule],
  controllers: [SetsController],
  providers: [SetsService],
  exports: [SetsService],
})
export class SetsModule {}
