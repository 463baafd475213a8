import { Module } from "@nestjs/common";
import { StudentsModule } from "../students/index.js";
import { ReportsController } from "./reports.controller.js";

@Module({ imports: [StudentsModule], controllers: [ReportsController] })
export class ReportsModule {}
