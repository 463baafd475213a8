import { CloseButton, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { usePaths } from "../app/paths.js";
import { subjectName } from "../app/words.js";
import { currentSender } from "../outbox/index.js";
import { studentsQuery } from "../students/index.js";
import choice from "./drill-choice.module.css";
import { runKey, type RunSubject } from "./floor-run.js";
import { stripWords } from "./strip.js";
import classes from "./student-strip.module.css";
import { useStrip } from "./use-strip.js";

interface StudentStripProps {
  readonly about: RunSubject;
  readonly name: string;
}

/** Several students at once: each with a running set, one tap from one to the next. */
export function StudentStrip({ about, name }: StudentStripProps) {
  const paths = usePaths();
  const navigate = useNavigate();
  const students = useQuery(studentsQuery);
  const strip = useStrip(about, name);
  const personId = currentSender()?.personId ?? "";
  const inStrip = new Set([about.studentId, ...strip.entries.map((one) => one.studentId)]);
  const others = (students.data ?? []).filter(
    (one) => !one.archived && !one.hasStopped && one.next !== null && !inStrip.has(one.id),
  );
  const add = (id: string) => {
    const student = others.find((one) => one.id === id);
    if (student?.next === undefined || student.next === null) return;
    const { subject, side } = student.next;
    strip.add({ ...about, name }, { studentId: id, subject, side, name: student.name });
    void navigate(paths.floor(id, subject, side));
  };
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
      {others.length > 0 && (
        <NativeSelect
          aria-label="Another student on this floor"
          size="md"
          value=""
          data={[
            { value: "", label: strip.entries.length > 0 ? "and …" : "with another student …" },
            ...others.map((one) => ({ value: one.id, label: one.name })),
          ]}
          onChange={(event) => {
            add(event.currentTarget.value);
            event.currentTarget.blur();
          }}
          classNames={{ input: choice.ruleInput }}
        />
      )}
    </nav>
  );
}
