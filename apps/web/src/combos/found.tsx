import type { ComboView } from "@mirrup/contract";
import { expandBeats, scoreOf } from "@mirrup/core";
import { comboText, demandOf, isBounce, measureCombo, type MadeCombo } from "@mirrup/core/combos";
import { Button, Group } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { useMayTeach } from "../account/index.js";
import { usePaths } from "../app/paths.js";
import { offerUndo } from "../app/undo.js";
import { linkWords, listWords } from "../app/words.js";
import { addressOfParts } from "./bench-address.js";
import { nameOfParts } from "./bench.js";
import { ComboCard } from "./combo-card.js";
import classes from "./combos.module.css";
import { useKeep } from "./use-keep.js";
import { plainName, type ComboNames } from "./words.js";

interface FoundProps {
  readonly combos: readonly MadeCombo[];
  readonly names: ComboNames;
  readonly tempo: number;
  /** The student of whose skills they are; null for nobody's alone. */
  readonly student: string | null;
}

/** What makes a combo hard, and what it trains. */
function noteOf({ parts, counts, handMoves }: MadeCombo, tempo: number): string {
  const score = scoreOf(comboText(parts));
  const { timing, highest } = measureCombo(score, { tempo, dominant: "r" });
  const link = timing.tightest === null ? undefined : timing.links[timing.tightest];
  const beats = expandBeats(score);
  const arms = (place: { readonly beat: number; readonly turn: number }) =>
    beats[place.beat]?.turns[place.turn]?.arms ?? "o";
  const hard =
    link === undefined || link.cost === 0
      ? "Nothing in it is hard on the hands"
      : `Hardest: ${linkWords(arms(link.from), arms(link.to))} at count ${link.to.beat + 1}, ${Math.round(demandOf(timing))} hand moves a second`;
  const moves = parts.filter((part) => !isBounce(part) && part.subject !== null);
  const skills = [...new Set(moves.flatMap((part) => catalogue().skills.get(part.subject ?? "") ?? []))].sort(
    (one, other) => other.level - one.level,
  );
  const trains = skills.slice(0, 3).map(({ name }) => name);
  const pace = (handMoves / counts).toFixed(1);
  return `${hard}${highest > 2 ? ", and a jump of three turns or more" : ""}. ${pace} hand moves a count. Trains ${trains.length === 0 ? "the rhythm" : listWords(trains)}.`;
}

/** The combos that were made, each with what makes it hard and what it trains, to be kept. */
export function Found({ combos, names, tempo, student }: FoundProps) {
  const paths = usePaths();
  const { keep, change } = useKeep();
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const mayTeach = useMayTeach();
  const fresh = combos.filter((combo) => !kept.has(comboText(combo.parts)));
  const nameOf = ({ parts }: MadeCombo) => nameOfParts(parts, (part) => plainName(part, names));
  const takeBack = (stored: readonly ComboView[]) => {
    for (const { id, version, parts } of stored) {
      // One that is refused stays saved; why is told where the change is made.
      change.mutateAsync({ id, version, isRemoved: true }).then(
        () => setKept((now) => new Set([...now].filter((text) => text !== comboText(parts)))),
        () => undefined,
      );
    }
  };
  const keepAll = (list: readonly MadeCombo[]) => {
    if (keep.isPending) return;
    const made = list.map((combo) => ({ name: nameOf(combo), parts: combo.parts }));
    const texts = list.map((combo) => comboText(combo.parts));
    keep.mutate(made, {
      onSuccess: (stored) => {
        setKept((now) => new Set([...now, ...texts]));
        const [first] = stored;
        const done =
          list.length === 1
            ? `“${first?.name ?? ""}” is on the shelf.`
            : `${counted(list.length, "combo is", "combos are")} on the shelf.`;
        offerUndo(done, () => takeBack(stored));
      },
    });
  };
  if (combos.length === 0) return null;
  return (
    <>
      {mayTeach && combos.length > 1 && (
        <Group mt="xs">
          <Button
            variant="default"
            disabled={fresh.length === 0}
            loading={keep.isPending}
            onClick={() => keepAll(fresh)}
          >
            {fresh.length === 0 ? "All are saved" : `Save all ${fresh.length}`}
          </Button>
        </Group>
      )}
      <ul className={classes.cards}>
        {combos.map((combo) => {
          const text = comboText(combo.parts);
          const bench = new URLSearchParams({
            parts: addressOfParts(combo.parts),
            ...(student === null ? {} : { for: student }),
          });
          return (
            <ComboCard
              key={text}
              title={nameOf(combo)}
              parts={combo.parts}
              note={noteOf(combo, tempo)}
              studentId={student}
            >
              {mayTeach && (
                <Button
                  variant="default"
                  disabled={kept.has(text) || keep.isPending}
                  onClick={() => keepAll([combo])}
                >
                  {kept.has(text) ? "Saved" : "Save"}
                </Button>
              )}
              <Button
                component={Link}
                variant="default"
                to={`${paths.comboPage("bench")}?${bench.toString()}`}
              >
                Open on the bench
              </Button>
            </ComboCard>
          );
        })}
      </ul>
    </>
  );
}
