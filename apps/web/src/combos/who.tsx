import { abilityOf } from "@mirrup/core/combos";
import { Link } from "react-router";
import { usePaths } from "../app/paths.js";
import { syllabus } from "../app/syllabus.js";
import type { Parts } from "./bench.js";
import classes from "./bench.module.css";
import type { ComboStudent } from "./combo-student.js";
import { abilityWords } from "./words.js";

/** Who could do it now, who nearly, and what the others lack. */
export function Who({
  parts,
  students,
}: {
  readonly parts: Parts;
  readonly students: readonly ComboStudent[];
}) {
  const paths = usePaths();
  const judged = students.map((student) => ({
    student,
    ability: abilityOf(parts, student.statusOf, syllabus()),
  }));
  const of = (code: string) => judged.filter(({ ability }) => ability.code === code);
  const [now, nearly, others] = [of("now"), of("one-new"), of("not-yet")];
  if (judged.some(({ ability }) => ability.code === "unknown")) {
    return (
      <p>There are turns in it that no skill leads to: not a skill yet, so nobody can be said to be ready.</p>
    );
  }
  const line = ({ student, ability }: (typeof judged)[number]) => (
    <li key={student.id}>
      <Link to={paths.student(student.id)}>{student.name}</Link> {abilityWords(ability)}
    </li>
  );
  if (students.length === 0) return <p>There is no student yet.</p>;
  return (
    <div className={classes.who}>
      <p>
        <strong>{now.length}</strong> of {students.length} could do it now, <strong>{nearly.length}</strong>{" "}
        lack one skill that is open to them.
      </p>
      {now.length > 0 && (
        <p>
          Now:{" "}
          {now.map(({ student }, place) => (
            <span key={student.id}>
              {place > 0 && ", "}
              <Link to={paths.student(student.id)}>{student.name}</Link>
            </span>
          ))}
          .
        </p>
      )}
      {nearly.length > 0 && <ul>{nearly.map(line)}</ul>}
      {others.length > 0 && (
        <details>
          <summary>What the other {others.length} lack</summary>
          <ul>{others.map(line)}</ul>
        </details>
      )}
    </div>
  );
}
