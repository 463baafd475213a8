/** How far a class is with a programme, as a table for other programs. */
import type { ProgrammeProgress } from "@mirrup/contract";
import { itemSideNames, programmeItems, type OwnProgramme } from "@mirrup/core";
import Papa from "papaparse";
import { capital } from "../app/words.js";
import { itemWords } from "./words.js";

/** A line a student, a column a side of an item: the day on which it was done, or how it is known. */
export function programmeCsv(programme: OwnProgramme, students: readonly ProgrammeProgress[]): string {
  const columns = programmeItems(programme).flatMap((item) =>
    itemSideNames(item).map((side) =>
      side === "whole" || item.side === side ? itemWords(item) : `${itemWords(item)}: ${side}`,
    ),
  );
  const fields = ["Student", ...columns.map(capital), "Done", "Asked", "Finished on"];
  const data = students.map(({ name, items, done, asked, finishedOn }) => [
    name,
    ...items.flatMap(({ sides }) => sides.map(({ by, on }) => (by === null ? "" : (on ?? by)))),
    done,
    asked,
    finishedOn ?? "",
  ]);
  // A spreadsheet would run what begins like a formula.
  return Papa.unparse({ fields, data }, { escapeFormulae: true, newline: "\r\n" });
}
