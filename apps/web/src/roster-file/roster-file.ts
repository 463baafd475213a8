/** A roster file read and written: rows, what each comes to, and what is wrong with it, row by row. */
import type { GroupView, StudentDetail } from "@mirrup/contract";
import { v7 as uuid } from "uuid";
import type { Sheet } from "../app/sheet.js";
import type { FileRows } from "../app/file-rows.js";
import { plainName } from "../app/plain.js";
import { columnOf, COLUMNS, type Column, type RosterRow } from "./columns.js";

export interface RowFault {
  /** The line of the file, from 1, the heading's line counted. */
  readonly line: number;
  readonly column: string;
  readonly message: string;
}

export interface ReadRow {
  readonly line: number;
  /** Of the student whom it makes, so that a file that is sent twice makes nobody twice. */
  readonly id: string;
  readonly student: RosterRow;
  /** Somebody of that name is in the studio, or further up in the file. */
  readonly isTwin: boolean;
}

export interface ReadRoster {
  readonly rows: readonly ReadRow[];
  readonly faults: readonly RowFault[];
  readonly understood: readonly string[];
  readonly overlooked: readonly string[];
}

/** Cells of a heading and rows into students; `known` are the names of those who are there already. */
export class RosterReader {
  private readonly columns: readonly (Column | undefined)[];
  private readonly seen: Set<string>;
  private readonly rows: ReadRow[] = [];
  private readonly faults: RowFault[] = [];

  constructor(
    private readonly headings: readonly string[],
    known: Iterable<string>,
  ) {
    this.columns = headings.map(columnOf);
    this.seen = new Set([...known].map(plainName));
    if (!this.columns.some((column) => column?.id === "name")) {
      const message = `No column is called “Name”. The first line has: ${headings.join(", ") || "nothing"}.`;
      this.faults.push({ line: 1, column: "Name", message });
    }
  }

  get hasNames(): boolean {
    return this.columns.some((column) => column?.id === "name");
  }

  add(cells: readonly string[], line: number): void {
    if (cells.every((cell) => cell.trim() === "")) return;
    const cellsRead = this.columns.flatMap((column, place) => {
      // Undoes the mark by which a saved sheet keeps a cell from being run as a formula.
      const text = (cells[place] ?? "").trim().replace(/^'(?=[=+\-@])/, "");
      return column === undefined || text === "" ? [] : [{ column, read: column.read(text) }];
    });
    const faults = cellsRead.flatMap(({ column, read }) =>
      typeof read === "string" ? [{ line, column: column.heading, message: read }] : [],
    );
    this.faults.push(...faults);
    const fields = cellsRead.map(({ read }) => (typeof read === "string" ? {} : read));
    const student: Partial<RosterRow> = Object.assign({}, ...fields) as Partial<RosterRow>;
    const { name } = student;
    if (faults.length > 0) return;
    if (name === undefined) {
      this.faults.push({ line, column: "Name", message: "The name is missing." });
      return;
    }
    const key = plainName(name);
    this.rows.push({ line, id: uuid(), student: { ...student, name }, isTwin: this.seen.has(key) });
    this.seen.add(key);
  }

  result(): ReadRoster {
    return {
      rows: this.rows,
      faults: this.faults,
      understood: this.columns.flatMap((column) => column?.heading ?? []),
      overlooked: this.headings.filter(
        (heading, place) => this.columns[place] === undefined && heading !== "",
      ),
    };
  }
}

const ROWS_A_REPORT = 1000;

/** Reads a file's rows; `onProgress` hears how many of how many have been read. */
export function readRoster(
  [headings = [], ...rows]: FileRows["rows"],
  known: Iterable<string>,
  onProgress?: (read: number, all: number) => void,
): ReadRoster {
  const reader = new RosterReader(
    headings.map((heading) => heading.trim()),
    known,
  );
  if (reader.hasNames) {
    rows.forEach((cells, place) => {
      reader.add(cells, place + 2);
      if ((place + 1) % ROWS_A_REPORT === 0) onProgress?.(place + 1, rows.length);
    });
  }
  return reader.result();
}

/** The roster with the headings that the reader understands. */
export function rosterSheet(students: readonly StudentDetail[], groups: readonly GroupView[]): Sheet {
  const nameOf = new Map(groups.map((group) => [group.id, group.name]));
  const rows = students.map((student) => {
    const names = student.groups.flatMap((id) => nameOf.get(id) ?? []);
    return COLUMNS.map((column) => column.write(student, names));
  });
  return { fields: COLUMNS.map((column) => column.heading), rows };
}
