import { Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { programmes } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { dateWords } from "../app/words.js";
import { studentProgrammeQuery } from "../students/index.js";
import { leftWords } from "./words.js";

interface ProgrammeGoalProps {
  readonly studentId: string;
  /** The goal's; nothing is shown where it is no programme. */
  readonly subject: string;
}

/** How far a student is with a programme that is their goal, and what is left of it. */
export function ProgrammeGoal({ studentId, subject }: ProgrammeGoalProps) {
  const paths = usePaths();
  const programme = programmes().get(subject);
  const { data } = useQuery({
    ...studentProgrammeQuery(studentId, subject),
    enabled: programme !== undefined,
  });
  if (programme === undefined || data == null) return null;
  return (
    <Text size="sm" mt={4}>
      <Link to={paths.programme(subject)}>
        {data.done} of {data.items.length} done
      </Link>
      {data.finishedOn === null
        ? leftWords(programme, data)
        : `, and finished on ${dateWords(data.finishedOn)}.`}
    </Text>
  );
}
