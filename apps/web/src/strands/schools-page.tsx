import { SCHOOLS } from "@mirrup/catalogue";
import type { SchoolReading } from "@mirrup/contract";
import { sidesOf, skillOf, type SideName } from "@mirrup/core";
import { decodeStatuses, type CodedStatus } from "@mirrup/core/teaching";
import { Skeleton, Switch, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { capital, gateWords, skillName, SCHOOL_NAMES, STATUS_NAMES } from "../app/words.js";
import { Bead, codedBead } from "../beads/index.js";
import { schoolsQuery } from "../students/index.js";
import classes from "./schools-page.module.css";

interface CodedSide {
  readonly side: SideName;
  readonly coded: CodedStatus;
}

/** Each skill's sides as one school reads them, in the catalogue's order. */
function sidesBySkill(reading: SchoolReading): ReadonlyMap<string, readonly CodedSide[]> {
  const decoded = decodeStatuses(reading.codes);
  let place = 0;
  return new Map(
    catalogue().order.map((id) => [
      id,
      sidesOf(skillOf(catalogue(), id)).map((side): CodedSide => {
        const coded = decoded[place] ?? { status: "locked", tenths: 0, isStuck: false };
        place += 1;
        return { side, coded };
      }),
    ]),
  );
}

function sidesWords(sides: readonly CodedSide[]): string {
  return sides
    .map(({ side, coded }) => (side === "whole" ? "" : `${side} `) + STATUS_NAMES[coded.status])
    .join(", ");
}

/** The same record under the three schools, side by side. */
export function SchoolsPage() {
  const { studentId = "" } = useParams();
  const schools = useQuery(schoolsQuery(studentId));
  const [onlyDifferent, setOnlyDifferent] = useState(true);
  const failure = failureOf(schools);
  if (failure !== null) {
    return (
      <Fault title="The schools could not be compared" onRetry={() => void schools.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (schools.data === undefined) return <Skeleton height={400} m="lg" />;
  const readings = schools.data.map((reading) => ({ reading, sides: sidesBySkill(reading) }));
  const strandOf = new Map(
    catalogue().strands.flatMap((strand) => strand.skills.map((id) => [id, strand] as const)),
  );
  const shown = catalogue()
    .strands.flatMap((strand) => strand.skills)
    .filter(
      (id) =>
        !onlyDifferent || new Set(readings.map(({ sides }) => sidesWords(sides.get(id) ?? []))).size > 1,
    );
  return (
    <div className={classes.page}>
      <div className={classes.tools}>
        <Text className={classes.quiet}>
          Instructors disagree about when a skill is learned. This is the same record as each school reads it.
        </Text>
        <Switch
          size="md"
          label="Only where they differ"
          checked={onlyDifferent}
          onChange={(event) => setOnlyDifferent(event.currentTarget.checked)}
        />
      </div>
      <div className={classes.scroll}>
        <table className={classes.table}>
          <thead>
            <tr>
              <th scope="col">Skill</th>
              {readings.map(({ reading }) => (
                <th key={reading.school} scope="col">
                  {capital(SCHOOL_NAMES[reading.school])}
                  <span className={classes.quiet}>{counted(reading.cleared, "side")} known</span>
                  <span className={classes.quiet}>{SCHOOLS[reading.school].reason}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((id) => (
              <tr key={id}>
                <th scope="row">{capital(skillName(id))}</th>
                {readings.map(({ reading, sides }) => (
                  <td key={reading.school}>
                    <span className={classes.cell}>
                      <Bead
                        state={codedBead(sides.get(id) ?? [])}
                        family={strandOf.get(id)?.family ?? "footwork"}
                        size={24}
                      />
                      <span>
                        {capital(sidesWords(sides.get(id) ?? []))}
                        <span className={classes.quiet}>
                          {gateWords(SCHOOLS[reading.school].gates[skillOf(catalogue(), id).skillClass])}
                        </span>
                      </span>
                    </span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {shown.length === 0 && (
          <Text mt="md">All three read this record alike. There is not much of it yet.</Text>
        )}
      </div>
    </div>
  );
}
