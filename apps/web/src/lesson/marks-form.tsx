import type { LessonView, SetRequest } from "@mirrup/contract";
import { Alert, Button, Group, Text, TextInput, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { v7 as uuid } from "uuid";
import { counted, pluralOf } from "../app/plural.js";
import { tellFault } from "../app/undo.js";
import { listWords } from "../app/words.js";
import { saySets, takeBackSets, UnsavedNote, useUnsaved } from "../device/index.js";
import { alreadyDone, readMarks, setsOfMarks, type ReadMarks } from "./marks.js";
import { doneQuery } from "./queries.js";
import type { ShownPlan } from "./shown.js";
import classes from "./substitute-sheet.module.css";

interface MarksFormProps {
  readonly lesson: LessonView;
  readonly plan: ShownPlan;
  /** In the order of the sheet. */
  readonly students: readonly string[];
  readonly nameOf: (id: string) => string;
}

/** What was typed, by student. The same marks of one batch are the same sets, however often they are sent. */
interface Typed {
  readonly batch: string;
  readonly texts: Readonly<Record<string, string>>;
}

interface Stored {
  readonly sets: readonly SetRequest[];
  readonly texts: Typed["texts"];
}

const nothing = (): Typed => ({ batch: uuid(), texts: {} });

function faultWords(marks: ReadMarks, turns: number): string | undefined {
  if (marks.ok) return undefined;
  return marks.fault.code === "unknown"
    ? `“${marks.fault.mark}” is not a mark.`
    : `There ${pluralOf(turns, "is one turn", `are ${turns} turns`)}, and more marks.`;
}

/** Where the marks on the sheet are typed back: kept while they are typed, and taken back as one. */
export function MarksForm({ lesson, plan, students, nameOf }: MarksFormProps) {
  const [fresh] = useState(nothing);
  const { found, keep } = useUnsaved(`marks ${lesson.id}`, fresh);
  const [{ batch, texts }, setTyped] = useState(found ?? fresh);
  const [isFound, setFound] = useState(found !== null);
  const [stored, setStored] = useState<Stored | null>(null);
  const done = useQuery(doneQuery(lesson.id)).data ?? [];
  const turns = plan.rotations.length;
  const read = students.map((id) => ({ id, marks: readMarks(texts[id] ?? "", turns) }));
  const sets = read.flatMap(({ id, marks }): readonly SetRequest[] =>
    marks.ok ? setsOfMarks({ ...lesson, batch }, plan, id, marks.marks, new Date()) : [],
  );
  const isFaulty = read.some(({ marks }) => !marks.ok);
  const twice = alreadyDone(sets, done);
  const write = (after: Typed) => {
    setTyped(after);
    setFound(false);
    keep(Object.values(after.texts).some((text) => text !== "") ? after : null);
  };
  const store = async () => {
    try {
      await saySets(sets);
      setStored({ sets, texts });
      write(nothing());
    } catch (error) {
      tellFault(error);
    }
  };
  const takeBack = async (back: Stored) => {
    try {
      await takeBackSets(back.sets);
      setStored(null);
      write({ batch: uuid(), texts: back.texts });
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <form
      className={classes.typed}
      aria-label="The marks on the sheet"
      onSubmit={(event) => {
        event.preventDefault();
        void store();
      }}
    >
      <Title order={2}>Type in the marks</Title>
      <Text>
        One mark a turn, in order: M made it, N nearly, X not yet, a number in a row, or - for not done. For
        example: m n x 12 -
      </Text>
      {isFound && <UnsavedNote onDrop={() => write(nothing())} />}
      <div className={classes.fields}>
        {read.map(({ id, marks }) => (
          <TextInput
            key={id}
            label={nameOf(id)}
            size="md"
            autoComplete="off"
            value={texts[id] ?? ""}
            error={faultWords(marks, turns)}
            onChange={(event) => {
              write({ batch, texts: { ...texts, [id]: event.currentTarget.value } });
              setStored(null);
            }}
          />
        ))}
      </div>
      {twice.length > 0 && (
        <Alert color="yellow" role="status">
          {counted(twice.length, "of these is", "of these are")} written down for that day already (
          {listWords([...new Set(twice.map(({ studentId }) => nameOf(studentId)))])}). What is stored now
          counts beside it.
        </Alert>
      )}
      <Button type="submit" size="md" disabled={sets.length === 0 || isFaulty}>
        Store {counted(sets.length, "set")}
      </Button>
      {stored !== null && (
        <Alert title="Stored" role="status">
          <Group justify="space-between" gap="xs">
            <Text>
              {counted(stored.sets.length, "set is", "sets are")} on this device and on their way to the log.
            </Text>
            <Button variant="default" onClick={() => void takeBack(stored)}>
              Take all of it back
            </Button>
          </Group>
        </Alert>
      )}
    </form>
  );
}
