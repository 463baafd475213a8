import type { LogLine as Line } from "@mirrup/contract";
import { Text } from "@mantine/core";
import { decisionWords } from "../app/decision-words.js";
import { capital, type LengthUnit } from "../app/words.js";
import { LogSet } from "./log-set.js";
import { eventWords, type NameOf } from "./log-words.js";
import classes from "./log-page.module.css";

const timeOf = (at: string) =>
  new Date(at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });

interface LogLineProps {
  readonly studentId: string;
  readonly line: Line;
  readonly unit: LengthUnit;
  readonly nameOf: NameOf;
}

/** One line of the log, as it happened. */
export function LogLine({ studentId, line, unit, nameOf }: LogLineProps) {
  const isVoided =
    line.kind === "set" ? line.isVoided : line.kind === "decision" ? line.decision.isVoided : false;
  return (
    <li data-voided={isVoided || undefined} data-kind={line.kind}>
      <span className={classes.time}>{timeOf(line.at)}</span>
      <Content studentId={studentId} line={line} unit={unit} nameOf={nameOf} />
    </li>
  );
}

function Content({ studentId, line, unit, nameOf }: LogLineProps) {
  if (line.kind === "set") return <LogSet studentId={studentId} line={line} nameOf={nameOf} />;
  if (line.kind !== "decision") {
    const { what, more } = eventWords(line, unit);
    return (
      <div>
        <strong>{what}</strong>
        {more !== "" && `, ${more}`}
      </div>
    );
  }
  const { subject, side, decision, reason, by, isVoided } = line.decision;
  return (
    <div>
      <strong>{capital(nameOf(subject, side))}</strong>: {decisionWords(decision, subject)}
      <Text size="sm" className={classes.quiet}>
        {[by ?? "", reason, isVoided ? "Taken back." : ""].filter(Boolean).join(". ")}
      </Text>
    </div>
  );
}
