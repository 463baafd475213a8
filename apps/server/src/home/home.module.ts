import { Module } from "@nestjs/common";
import { SetsModule } from "../sets/index.js";
import { StandingsModule } from "../standings/index.js";
import { StudentsModule } from "../students/index.js";
import { HomeController, HomeLinksController, PractisedAtHomeController } from "./home.controller.js";
import { HomeLinksService } from "./home-links.service.js";
import { HomeService } from "./home.service.js";

@Module({
  imports: [StudentsModule, StandingsModule, SetsModule],
  controllers: [HomeLinksController, PractisedAtHomeController, HomeController],
  providers: [HomeLinksService, HomeService],
})
export class HomeModule {}
