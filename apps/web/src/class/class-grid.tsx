import { skillOf } from "@mirrup/core";
import { Button, Checkbox } from "@mantine/core";
import { memo, useLayoutEffect, useMemo, useRef, useState, type CSSProperties } from "react";
import { Link } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { familyOf } from "../app/family.js";
import { usePaths } from "../app/paths.js";
import { skillName, STATUS_NAMES } from "../app/words.js";
import { beadSheet, codedBead, type BeadSheet } from "../beads/index.js";
import classes from "./class-grid.module.css";
import type { Grid, GridColumn, GridStudent } from "./grid.js";

const ROWS_AT_ONCE = 60;

function cellWords(student: GridStudent, subject: string): string {
  const sides = (student.bySkill.get(subject) ?? []).map(
    ({ side, coded }) =>
      (side === "whole" ? "" : `${side} `) + STATUS_NAMES[coded.status] + (coded.isStuck ? ", stuck" : ""),
  );
  return `${student.name}, ${skillName(subject)}: ${sides.join("; ")}`;
}

const BEAD_PX = 17;
const beadOf = (student: GridStudent, subject: string) => ({
  state: codedBead(student.bySkill.get(subject) ?? []),
  family: familyOf(subject),
});

interface RowProps {
  readonly student: GridStudent;
  readonly columns: readonly GridColumn[];
  readonly isChosen: boolean;
  readonly sheet: BeadSheet;
  readonly onChoose: (id: string) => void;
}

/** One student's row; it is drawn anew only when it changes, since a class has thousands of cells. */
const Row = memo(function Row({ student, columns, isChosen, sheet, onChoose }: RowProps) {
  const paths = usePaths();
  return (
    <tr className={classes.row} data-chosen={isChosen}>
      <th scope="row" className={classes.name}>
        <span className={classes.who}>
          <Checkbox
            aria-label={`Choose ${student.name}`}
            checked={isChosen}
            onChange={() => onChoose(student.id)}
          />
          <Link to={paths.student(student.id)}>{student.name}</Link>
          <span className={classes.known}>{student.known}</span>
        </span>
      </th>
      {columns.map(({ subject }) => (
        <td
          key={subject}
          className={classes.cell}
          title={cellWords(student, subject)}
          style={{ backgroundPosition: sheet.positionOf(beadOf(student, subject)) }}
        >
          {(student.bySkill.get(subject) ?? []).map(({ coded }) => STATUS_NAMES[coded.status]).join(", ")}
        </td>
      ))}
    </tr>
  );
});

interface ClassGridProps {
  readonly grid: Grid;
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (id: string) => void;
}

/** Students by skills, a split bead a cell, which is one element: a class has thousands. */
export function ClassGrid({ grid, chosen, onChoose }: ClassGridProps) {
  const paths = usePaths();
  const [rows, setRows] = useState(ROWS_AT_ONCE);
  const sheet = useMemo(() => {
    const beads = grid.students.flatMap((student) =>
      grid.columns.map(({ subject }) => beadOf(student, subject)),
    );
    return beadSheet(beads, BEAD_PX);
  }, [grid]);
  const table = useRef<HTMLTableElement>(null);
  useLayoutEffect(() => {
    // A short address: a picture that is spelled out would be read anew for every cell.
    const address = URL.createObjectURL(sheet.picture);
    table.current?.style.setProperty("--sheet", `url("${address}")`);
    return () => URL.revokeObjectURL(address);
  }, [sheet]);
  const most = Math.max(...grid.columns.map((column) => column.open));
  return (
    <div className={classes.scroll} tabIndex={0} role="region" aria-label="Students by skills">
      <table
        ref={table}
        className={classes.table}
        style={
          {
            "--sheet-width": sheet.width,
            "--skills": grid.columns.length,
          } as CSSProperties
        }
      >
        <colgroup>
          <col className={classes.names} />
          <col span={grid.columns.length} className={classes.skills} />
        </colgroup>
        <thead>
          <tr>
            <th scope="col" className={classes.corner}>
              Student, sides known
            </th>
            {grid.columns.map(({ subject }) => (
              <th key={subject} scope="col" className={classes.skill}>
                <Link to={paths.skill(subject)} style={{ color: `var(--family-${familyOf(subject)})` }}>
                  {skillOf(catalogue(), subject).name}
                </Link>
              </th>
            ))}
          </tr>
          <tr>
            <th scope="row" className={classes.corner}>
              Open for how many
            </th>
            {grid.columns.map(({ subject, open }) => (
              <td key={subject} className={classes.open} data-most={open > 0 && open === most}>
                {open === 0 ? "" : open}
              </td>
            ))}
          </tr>
        </thead>
        <tbody>
          {grid.students.slice(0, rows).map((student) => (
            <Row
              key={student.id}
              student={student}
              columns={grid.columns}
              isChosen={chosen.has(student.id)}
              sheet={sheet}
              onChoose={onChoose}
            />
          ))}
        </tbody>
      </table>
      {grid.students.length > rows && (
        <Button variant="default" m="sm" onClick={() => setRows(rows + ROWS_AT_ONCE)}>
          Show {Math.min(ROWS_AT_ONCE, grid.students.length - rows)} more of {grid.students.length}
        </Button>
      )}
    </div>
  );
}
