import type { ComboView } from "@mirrup/contract";
import { comboKey, scoreOf, type Drill, type SideName } from "@mirrup/core";
import { abilityOf, comboText, countsOf, onSide, sidesOfScore, takenApart } from "@mirrup/core/combos";
import { COMBO_GATE } from "@mirrup/core/teaching";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { syllabus } from "../app/syllabus.js";
import { floorClasses, Round, useWakeLock, type RoundPractice } from "../floor/index.js";
import { roundPlace } from "../presence/index.js";
import { groupsQuery, studentsQuery } from "../students/index.js";
import { Cautions } from "./cautions.js";
import { combosQuery, namesOf } from "./queries.js";
import { useComboStudents } from "./use-for.js";
import { abilityWords, comboSideName, partName, type ComboNames } from "./words.js";

/** Tries of a round: as many as the combo's gate looks at. */
const { clean: CLEAN, of: TRIES } = COMBO_GATE;
const ASKED = `The whole, then bounces: ${TRIES} tries, ${CLEAN} clean ones clear it`;

/** A kept combo, whole, as a class tries it: its moves in large words, its note, and what to mind. */
function comboPractice(
  combo: ComboView,
  names: ComboNames,
  notes: ReadonlyMap<string, string>,
): RoundPractice {
  const textOn = (side: SideName) => comboText(onSide(combo.parts, side));
  const drillOn = (side: SideName): Drill => ({ kind: "one-out", count: TRIES, score: textOn(side) });
  return {
    subject: comboKey(combo.id),
    sides: [...sidesOfScore(combo.parts)].sort((one) => (one === "left" ? -1 : 1)),
    beats: combo.parts.reduce((sum, part) => sum + countsOf(part), 0),
    titleOf: (side) =>
      side === null || comboSideName(side) === "" ? combo.name : `${combo.name}, ${comboSideName(side)}`,
    sideName: comboSideName,
    drillOn,
    noteOf: (studentId) => notes.get(studentId) ?? null,
    wordsOf: () => ASKED,
    choice: () => <p className={floorClasses.drill}>{ASKED}</p>,
    coaching: (side, _drill, hasCautions) => (
      <>
        <p className={floorClasses.cue}>
          {onSide(combo.parts, side)
            .map((part) => `${partName(part, names)}${part.times > 1 ? ` × ${part.times}` : ""}`)
            .join(" · ")}
        </p>
        {combo.note !== "" && (
          <p className={floorClasses.look}>
            <strong>Note</strong> {combo.note}
          </p>
        )}
        {hasCautions && <Cautions score={scoreOf(textOn(side))} />}
      </>
    ),
  };
}

/** A combo tried by a whole class at once, then one tap for each. */
export function ComboRoundPage() {
  const { groupId = "all", comboId = "" } = useParams();
  const paths = usePaths();
  const combos = useQuery(combosQuery);
  const students = useQuery(studentsQuery);
  const groups = useQuery(groupsQuery);
  useWakeLock();
  useDocumentTitle("A combo for a class · Mirrup");
  const combo = combos.data?.find((one) => one.id === comboId);
  const names = useMemo(() => namesOf(combos.data), [combos.data]);
  const judged = useComboStudents();
  const practice = useMemo(() => {
    if (combo === undefined) return null;
    const parts = takenApart(combo.parts, (id) => combos.data?.find((one) => one.id === id)?.parts);
    const notes = (judged ?? []).flatMap(({ id, statusOf }): [string, string][] => {
      const ability = abilityOf(parts, statusOf, syllabus());
      return ability.code === "now" || ability.code === "unknown" ? [] : [[id, abilityWords(ability)]];
    });
    return comboPractice(combo, names, new Map(notes));
  }, [combo, combos.data, names, judged]);
  const failed = [combos, students].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    return (
      <Fault title="The round could not be opened" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  if (combos.data !== undefined && practice === null) {
    return <Fault title="There is no such combo">Choose one on the shelf of combos.</Fault>;
  }
  if (practice === null || students.data === undefined) {
    return (
      <main className={floorClasses.floor}>
        <p role="status">Opening the round …</p>
      </main>
    );
  }
  const group = groups.data?.find((one) => one.id === groupId);
  return (
    <Round
      key={`${groupId} ${comboId}`}
      keptAs={groupId}
      place={roundPlace(groupId, practice.subject)}
      name={group?.name ?? "Everybody"}
      back={paths.combo(comboId)}
      practice={practice}
      students={students.data.filter((student) => groupId === "all" || student.groups.includes(groupId))}
    />
  );
}
