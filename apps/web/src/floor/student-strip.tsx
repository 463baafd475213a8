import { CloseButton, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { usePaths } from "../app/paths.js";
import { subjectName } from "../app/words.js";
import { usePersonId, useStops } from "../device/index.js";
import { studentsQuery } from "../students/index.js";
import choice from "./drill-choice.module.css";
import { runKey, type RunSubject } from "../app/floor-run.js";
import { stripWords } from "./strip.js";
import classes from "./student-strip.module.css";
import type { Strip } from "./use-strip.js";

interface StripProps {
  readonly strip: Strip;
  readonly about: RunSubject;
  readonly name: string;
}

/** Takes another student onto this floor, with what they do next. */
export function AnotherStudent({ strip, about, name }: StripProps) {
  const paths = usePaths();
  const navigate = useNavigate();
  const students = useQuery(studentsQuery);
  const isStopped = useStops();
  const inStrip = new Set([about.studentId, ...strip.entries.map((one) => one.studentId)]);
  const others = (students.data ?? []).flatMap(({ id, name: called, hasStopped, next }) =>
    isStopped(id, hasStopped) || next === null || inStrip.has(id)
      ? []
      : [{ studentId: id, name: called, subject: next.subject, side: next.side }],
  );
  if (others.length === 0) return null;
  return (
    <NativeSelect
      aria-label="Another student on this floor"
      size="md"
      value=""
      data={[
        { value: "", label: "Add one" },
        ...others.map((one) => ({ value: one.studentId, label: one.name })),
      ]}
      onChange={(event) => {
        const added = others.find((one) => one.studentId === event.currentTarget.value);
        event.currentTarget.blur();
        if (added === undefined) return;
        strip.add({ ...about, name }, added);
        void navigate(paths.floor(added.studentId, added.subject, added.side));
      }}
      classNames={{ root: classes.another, input: choice.ruleInput }}
    />
  );
}

/** Several students at once: each with a running set, one tap from one to the next. */
export function StudentStrip({ strip, about, name }: StripProps) {
  const paths = usePaths();
  const personId = usePersonId();
  if (strip.entries.length === 0) return null;
  return (
    <nav className={classes.strip} aria-label="Students on this floor">
      {strip.entries.map((entry) => (
        <span key={entry.studentId} className={classes.chip} data-here={entry.studentId === about.studentId}>
          <Link
            to={paths.floor(entry.studentId, entry.subject, entry.side)}
            aria-current={entry.studentId === about.studentId ? "page" : undefined}
            className={classes.link}
          >
            <strong>{entry.name}</strong>
            <span>
              {subjectName(entry.subject, entry.side)},{" "}
              {stripWords(strip.runs.get(runKey(personId, entry)), strip.seenAt)}
            </span>
          </Link>
          <CloseButton
            size={44}
            className={classes.drop}
            aria-label={`Take ${entry.name} off this floor`}
            onClick={() => strip.drop(entry.studentId)}
          />
        </span>
      ))}
      <AnotherStudent strip={strip} about={about} name={name} />
    </nav>
  );
}
