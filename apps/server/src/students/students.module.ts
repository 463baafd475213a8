import { Module } from "@nestjs/common";
import { GroupsModule } from "../groups/index.js";
import { StandingsModule } from "../standings/index.js";
import { GridController } from "./grid.controller.js";
import { ImportController } from "./import.controller.js";
import { ImportService } from "./import.service.js";
import { JumpsController } from "./jumps.controller.js";
import { JumpsService } from "./jumps.service.js";
import { NotesController } from "./notes.controller.js";
import { NotesService } from "./notes.service.js";
import { PairsController } from "./pairs.controller.js";
import { PairsService } from "./pairs.service.js";
import { ClassProgressController } from "./class-progress.controller.js";
import { ClassProgressService } from "./class-progress.service.js";
import { ProgressController } from "./progress.controller.js";
import { ProgressService } from "./progress.service.js";
import { RecordController } from "./record.controller.js";
import { RecordService } from "./record.service.js";
import { Glances } from "./glances.js";
import { RosterService } from "./roster.service.js";
import { SecondRecordsController } from "./second-records.controller.js";
import { SecondRecordsService } from "./second-records.service.js";
import { StandingsController } from "./standings.controller.js";
import { StopsController } from "./stops.controller.js";
import { StopsService } from "./stops.service.js";
import { StudentReadings } from "./student-readings.service.js";
import { StudentsController } from "./students.controller.js";
import { StudentsService } from "./students.service.js";
import { TimelineService } from "./timeline/timeline.service.js";

@Module({
  imports: [StandingsModule, GroupsModule],
  controllers: [
    ImportController,
    StudentsController,
    StandingsController,
    RecordController,
    SecondRecordsController,
    GridController,
    StopsController,
    NotesController,
    JumpsController,
    PairsController,
    ProgressController,
    ClassProgressController,
  ],
  providers: [
    StudentsService,
    RosterService,
    StudentReadings,
    Glances,
    RecordService,
    SecondRecordsService,
    ImportService,
    StopsService,
    NotesService,
    JumpsService,
    TimelineService,
    PairsService,
    ProgressService,
    ClassProgressService,
  ],
  exports: [StudentsService, StopsService, PairsService],
})
export class StudentsModule {}
