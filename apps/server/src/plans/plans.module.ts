import { Module } from "@nestjs/common";
import { CombosModule } from "../combos/index.js";
import { GroupsModule } from "../groups/index.js";
import { LessonsModule } from "../lessons/index.js";
import { StandingsModule } from "../standings/index.js";
import { StudentsModule } from "../students/index.js";
import { ClassOptionsController } from "./class-options.controller.js";
import { ClassWeeksController } from "./class-weeks.controller.js";
import { StudentPlanController } from "./student-plan.controller.js";
import { WeeksController } from "./weeks.controller.js";

@Module({
  imports: [CombosModule, StandingsModule, StudentsModule, GroupsModule, LessonsModule],
  controllers: [StudentPlanController, ClassOptionsController, WeeksController, ClassWeeksController],
})
export class PlansModule {}
