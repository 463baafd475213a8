import { useInterval, useLocalStorage } from "@mantine/hooks";
import { useEffect, useState } from "react";
import { keptRuns, showRun, usePersonId, type KeptRun } from "../device/index.js";
import { runKey, type RunSubject } from "../app/floor-run.js";
import { withEntryOf, withoutStudent, type StripEntry } from "./strip.js";

const LOOK_MS = 1000;
const NOBODY: readonly StripEntry[] = [];

export interface Strip {
  readonly entries: readonly StripEntry[];
  readonly runs: ReadonlyMap<string, KeptRun>;
  /** When the runs were last looked at. */
  readonly seenAt: number;
  readonly add: (...entries: readonly StripEntry[]) => void;
  readonly drop: (studentId: string) => void;
}

/** The students of this floor and their runs; whoever is looked at stands in it with the drill at hand. */
export function useStrip(about: RunSubject, name: string): Strip {
  const personId = usePersonId();
  const [entries, setEntries] = useLocalStorage<readonly StripEntry[]>({
    key: `mirrup-strip ${personId}`,
    defaultValue: NOBODY,
    getInitialValueInEffect: false,
  });
  const [seen, setSeen] = useState<{ readonly runs: ReadonlyMap<string, KeptRun>; readonly at: number }>({
    runs: new Map(),
    at: 0,
  });
  const look = useInterval(() => {
    keptRuns(`${personId} `).then(
      (runs) => setSeen({ runs, at: Date.now() }),
      () => undefined,
    );
  }, LOOK_MS);
  const isUsed = entries.length > 0;
  const { start, stop } = look;
  useEffect(() => {
    if (isUsed) start();
    return stop;
  }, [isUsed, start, stop]);

  useEffect(() => {
    const hide = entries.map((entry) => showRun(runKey(personId, entry)));
    return () => hide.forEach((one) => one());
  }, [entries, personId]);

  const { studentId, subject, side } = about;
  const own = entries.find((one) => one.studentId === studentId);
  const isOld = own !== undefined && (own.subject !== subject || own.side !== side);
  useEffect(() => {
    if (isOld) setEntries((before) => withEntryOf(before, { studentId, subject, side, name }));
  }, [isOld, studentId, subject, side, name, setEntries]);

  return {
    entries,
    runs: seen.runs,
    seenAt: seen.at,
    add: (...added) => setEntries((before) => added.reduce(withEntryOf, before)),
    drop: (id) =>
      setEntries((before) => {
        const left = withoutStudent(before, id);
        // Alone again: no strip is needed.
        return left.length < 2 ? NOBODY : left;
      }),
  };
}
