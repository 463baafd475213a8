import type { SkillChange } from "@mirrup/contract";
import { Text } from "@mantine/core";
import { Link } from "react-router";
import { usePaths } from "../app/paths.js";
import { affectedWords, touchedBy } from "./affected-words.js";
import classes from "./own-skill.module.css";
import { useAffected } from "./use-affected.js";

/** So many are named; the others are counted. */
const MOST_NAMED = 8;

interface AffectedProps {
  /** None where nothing would change, or where it cannot. */
  readonly changes: readonly Pick<SkillChange, "subject" | "is">[];
}

/** Whom a change would touch, and how, before it is made. */
export function Affected({ changes }: AffectedProps) {
  const paths = usePaths();
  const { items, isReading } = useAffected(changes);
  if (changes.length === 0) return null;
  if (items === null) {
    return (
      <Text role="status" className={classes.quiet}>
        {isReading ? "Looking whom it would touch …" : "Whom it would touch is not known just now."}
      </Text>
    );
  }
  const touched = touchedBy(items);
  return (
    <div role="status">
      <Text fw={600}>{affectedWords(items)}</Text>
      <ul className={classes.touched}>
        {touched.slice(0, MOST_NAMED).map(({ studentId, name, words }) => (
          <li key={studentId}>
            <Link to={paths.student(studentId)}>{name}</Link>: {words}.
          </li>
        ))}
        {touched.length > MOST_NAMED && <li>and {touched.length - MOST_NAMED} more.</li>}
      </ul>
    </div>
  );
}
