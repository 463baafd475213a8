/** Plans a class off the main thread. */
import {
  planClass,
  type ClassAsked,
  type ClassBefore,
  type ClassPlan,
  type ClassStudent,
} from "@mirrup/core/planning";
import { expose } from "comlink";

export interface ClassPlanner {
  plan: (
    asked: ClassAsked,
    students: readonly ClassStudent[],
    before: ClassBefore | null,
    onProgress: (share: number, best: ClassPlan) => void,
  ) => ClassPlan;
}

const planner: ClassPlanner = {
  plan: (asked, students, before, onProgress) => planClass(asked, students, before ?? undefined, onProgress),
};

expose(planner);
