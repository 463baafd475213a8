import type { DecisionView } from "@mirrup/contract";
import { Button, Skeleton, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { decisionWords } from "../app/decision-words.js";
import { dateTimeWords, subjectName } from "../app/words.js";
import { decisionsQuery, useDecide } from "../students/index.js";
import classes from "./record-page.module.css";

/** What was decided about a student, newest first, each of which can be taken back. */
export function DecisionList({ studentId }: { readonly studentId: string }) {
  const decisions = useQuery(decisionsQuery(studentId));
  const { decide, isPending } = useDecide(studentId);
  const takeBack = ({ id, subject, side }: DecisionView) =>
    void decide({ subject, side, decision: { kind: "void", target: id }, reason: "" });
  if (decisions.data === undefined && decisions.isError) {
    return (
      <Text role="alert">
        What was decided could not be read.{" "}
        <Button variant="subtle" px={4} onClick={() => void decisions.refetch()}>
          Try again
        </Button>
      </Text>
    );
  }
  if (decisions.data === undefined) return <Skeleton height={80} />;
  const shown = decisions.data.filter(({ decision }) => decision.kind !== "void");
  if (shown.length === 0) {
    return (
      <Text size="sm">Nothing has been decided by hand. Sets clear a side when they meet its gate.</Text>
    );
  }
  return (
    <ul className={classes.decisions}>
      {shown.map((one) => (
        <li key={one.id}>
          <Text className={one.isVoided ? classes.voided : undefined}>
            <strong>{subjectName(one.subject, one.side)}</strong>: {decisionWords(one.decision, one.subject)}
          </Text>
          <Text size="sm" className={classes.quiet}>
            {dateTimeWords(one.at)}
            {one.by !== null && `, ${one.by}`}. {one.reason}
          </Text>
          {one.isVoided ? (
            <Text size="sm">Taken back.</Text>
          ) : (
            <Button variant="subtle" px={4} disabled={isPending} onClick={() => takeBack(one)}>
              Take back
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}
