import { Button, Group, Text } from "@mantine/core";
import { useId, useState } from "react";
import { Link } from "react-router";
import type { KeptRun } from "../app/kept-run.js";
import { comboOfRun, type LeftRun } from "../app/left-run.js";
import { usePaths } from "../app/paths.js";
import { runAt } from "../app/floor-run.js";
import { offerUndo } from "../app/undo.js";
import { capital, dateTimeWords, subjectName } from "../app/words.js";
import { discardLeft, finishLeft } from "./left.js";
import { putBack } from "./store.js";

interface LeftSetsProps {
  readonly left: readonly LeftRun[];
  readonly nameOf: (studentId: string) => string;
  /** Hears that something became of one. */
  readonly onChange: () => Promise<void>;
  /** Hears that one is gone on with. */
  readonly onLeave: () => void;
}

const UNKEPT = "This browser refuses to keep the set. Free some space or allow storage, and try again.";

function leftWords({ about, run }: LeftRun, nameOf: LeftSetsProps["nameOf"]): string {
  const { clean, misses } = runAt(run, run.seenAt ?? run.lastTapAt);
  const missed = misses.length === 0 ? "" : `, ${misses.length} missed`;
  return `${nameOf(about.studentId)}, ${subjectName(about.subject, about.side)}: ${clean} clean${missed}, ${dateTimeWords(new Date(run.startedAt).toISOString())}`;
}

/** Sets that were begun and left: each is finished as it was counted, gone on with, or discarded. */
export function LeftSets({ left, nameOf, onChange, onLeave }: LeftSetsProps) {
  const paths = usePaths();
  const id = useId();
  const [busy, setBusy] = useState<string | null>(null);
  const [fault, setFault] = useState(false);
  const act = (key: string, work: () => Promise<void>) => {
    setBusy(key);
    setFault(false);
    void work()
      .catch(() => setFault(true))
      .then(onChange)
      .finally(() => setBusy(null));
  };
  // Where the device has no room for it, the way back stays.
  const offerBack = (said: string, key: string, run: KeptRun) =>
    offerUndo(said, () => void putBack(key, run).then(onChange, () => offerBack(UNKEPT, key, run)));
  const discard = async (one: LeftRun) => {
    const run = await discardLeft(one);
    await onChange();
    if (run !== null) offerBack("A set that was counted is discarded.", one.key, run);
  };
  const described = (one: LeftRun) => `${id} ${one.key}`.replaceAll(" ", "-");
  const addressOf = (one: LeftRun) => {
    const { studentId, subject, side } = one.about;
    const combo = comboOfRun(one);
    return combo === null ? paths.floor(studentId, subject, side) : `${paths.combo(combo)}?for=${studentId}`;
  };
  return (
    <section>
      <Text fw={700}>Counted, and not finished</Text>
      <Text size="sm">Until it is finished, a set is on this device alone and counts for nothing.</Text>
      <ul>
        {left.map((one) => (
          <li key={one.key}>
            <span id={described(one)}>{capital(leftWords(one, nameOf))}</span>
            <Group gap="xs" mt={4} mb="xs">
              <Button
                variant="default"
                aria-describedby={described(one)}
                loading={busy === one.key}
                disabled={busy !== null}
                onClick={() => act(one.key, () => finishLeft(one))}
              >
                Finish it as it is
              </Button>
              {!one.isAside && (
                <Button
                  component={Link}
                  to={addressOf(one)}
                  variant="default"
                  aria-describedby={described(one)}
                  onClick={onLeave}
                >
                  Go on counting
                </Button>
              )}
              <Button
                variant="subtle"
                color="red"
                aria-describedby={described(one)}
                disabled={busy !== null}
                onClick={() => act(one.key, () => discard(one))}
              >
                Discard it
              </Button>
            </Group>
          </li>
        ))}
      </ul>
      {fault && <Text role="alert">{UNKEPT}</Text>}
    </section>
  );
}
