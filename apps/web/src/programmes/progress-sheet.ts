/** How far a class is with a programme, as a table for other programs. */
import type { ProgrammeProgress } from "@mirrup/contract";
import { itemSideNames, programmeItems, type OwnProgramme } from "@mirrup/core";
import type { Sheet } from "../app/sheet.js";
import { capital } from "../app/words.js";
import { itemWords } from "./words.js";

/** A line a student, a column a side of an item: the day on which it was done, or how it is known. */
export function progressSheet(programme: OwnProgramme, students: readonly ProgrammeProgress[]): Sheet {
  const columns = programmeItems(programme).flatMap((item) =>
    itemSideNames(item).map((side) =>
      side === "whole" || item.side === side ? itemWords(item) : `${itemWords(item)}: ${side}`,
    ),
  );
  const fields = ["Student", ...columns.map(capital), "Done", "Asked", "Finished on"];
  const rows = students.map(({ name, items, done, asked, finishedOn }) => [
    name,
    ...items.flatMap(({ sides }) => sides.map(({ by, on }) => (by === null ? "" : (on ?? by)))),
    done,
    asked,
    finishedOn ?? "",
  ]);
  return { fields, rows };
}
