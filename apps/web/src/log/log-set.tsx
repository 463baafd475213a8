import type { LogLine } from "@mirrup/contract";
import { Button, Text } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { v7 as uuid } from "uuid";
import { useMayTeach } from "../account/index.js";
import { post, put } from "../app/api.js";
import { countsWords, evidenceWords, loggedDrillWords } from "../app/drill-words.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";
import { capital } from "../app/words.js";
import { RhythmPicture, setRhythmWords } from "../floor/index.js";
import { useDecide } from "../students/index.js";
import { becameWords, howWords, missesWords, type NameOf } from "./log-words.js";
import classes from "./log-page.module.css";

interface LogSetProps {
  readonly studentId: string;
  readonly nameOf: NameOf;
  readonly line: Extract<LogLine, { readonly kind: "set" }>;
}

/** One set as it was counted, and what it counts for; it can be taken back, and counted again as it was. */
export function LogSet({ studentId, line, nameOf }: LogSetProps) {
  const { set, by, isVoided, became } = line;
  const client = useQueryClient();
  const mayTeach = useMayTeach();
  const { decide, isPending } = useDecide(studentId);
  const { subject, side } = set;
  const misses = missesWords(set);
  const rhythm = setRhythmWords(set.ticks ?? []);
  const again = async () => {
    const { note, ...counts } = set;
    const copy = { ...counts, id: uuid() };
    try {
      await post("/sets", { sets: [copy] });
      if (note !== "") await put(`/students/${studentId}/notes`, { setId: copy.id, text: note });
      await readAnew(client, { topics: ["students"] });
    } catch (error) {
      tellFault(error);
    }
  };
  const takeBack = async () => {
    const decision = { kind: "void", target: set.id } as const;
    if (!(await decide({ subject, side, decision, reason: "" }))) return;
    offerUndo(`${capital(nameOf(subject, side))}: the set is taken back.`, () => void again());
  };
  return (
    <div className={classes.set}>
      <details>
        <summary>
          <strong>{capital(nameOf(subject, side))}</strong>, {loggedDrillWords(set.drill)}: {countsWords(set)}
          {isVoided && " (taken back)"}
        </summary>
        <Text size="sm">{howWords(set, by)}</Text>
        {rhythm !== "" && (
          <>
            <Text size="sm">{rhythm}</Text>
            <RhythmPicture ticks={set.ticks ?? []} />
          </>
        )}
        {misses !== null && <Text size="sm">{misses}</Text>}
        <Text size="sm">{isVoided ? "It counts for nothing." : evidenceWords(set)}</Text>
        {mayTeach && !isVoided && (
          <Button variant="subtle" px={4} disabled={isPending} onClick={() => void takeBack()}>
            Take it back
          </Button>
        )}
      </details>
      {became.map((one) => (
        <Text key={`${one.kind} ${one.subject} ${one.side}`} size="sm" className={classes.became}>
          {becameWords(one, nameOf)}
        </Text>
      ))}
      {set.note !== "" && <Text size="sm">“{set.note}”</Text>}
    </div>
  );
}
