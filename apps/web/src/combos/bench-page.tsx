import { STARTER_COMBOS } from "@mirrup/catalogue";
import { LONGEST_NOTE, type ComboView } from "@mirrup/contract";
import { readScore } from "@mirrup/core";
import {
  COMBO_LIMITS,
  COMBO_TEMPO,
  comboText,
  judgeCombo,
  measureCombo,
  takenApart,
} from "@mirrup/core/combos";
import { Alert, Button, Group, Skeleton, Text, Textarea, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { useMayTeach } from "../account/index.js";
import { NumberField } from "../app/number-field.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { counted } from "../app/plural.js";
import { UndoRedo } from "../app/undo-redo.js";
import { listWords } from "../app/words.js";
import { FigureBraid } from "../figure/index.js";
import { detailQuery } from "../students/index.js";
import { added, doubled, mirrored, nameOfParts, without, type Parts } from "./bench.js";
import classes from "./bench.module.css";
import { CountsGrid, Figures } from "./figures.js";
import { Joins } from "./joins.js";
import { Neighbours } from "./neighbours.js";
import { Palette } from "./palette.js";
import { PartLine } from "./part-line.js";
import { combosQuery, namesOf } from "./queries.js";
import { ScoreEntry } from "./score-entry.js";
import { useBench } from "./use-bench.js";
import { useComboStudents, useFor } from "./use-for.js";
import { useKeep } from "./use-keep.js";
import { useTempoAsked } from "./use-tempo-asked.js";
import { Who } from "./who.js";
import { partName, plainName } from "./words.js";

/** What can be chained, and does it work? */
export function BenchPage() {
  const combos = useQuery(combosQuery);
  const failure = failureOf(combos);
  if (failure !== null) {
    return (
      <Fault title="The bench could not be opened" onRetry={() => void combos.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (combos.data === undefined) return <Skeleton height={420} m="md" />;
  return <Bench combos={combos.data} />;
}

/** Of what an address asks for in vain: so many are named, by so many letters. */
const MOST_NAMED = 4;
const LONGEST_NAMED = 40;

const NOBODY: ReadonlySet<number> = new Set();

function Bench({ combos }: { readonly combos: readonly ComboView[] }) {
  const bench = useBench(combos);
  const { parts } = bench;
  const [chosen, setChosen] = useState<ReadonlySet<number>>(NOBODY);
  const { tempo, setTempo } = useTempoAsked();
  const students = useComboStudents();
  const { id: studentId, jumper } = useFor();
  const { dominant } = jumper;
  const whose = useQuery({ ...detailQuery(studentId ?? ""), enabled: studentId !== null }).data;
  const student = students?.find((one) => one.id === studentId);
  const sideways = student?.sideways;
  const names = useMemo(() => namesOf(combos), [combos]);
  const judged = useMemo(
    () => judgeCombo(parts, { dominant, ...(sideways === undefined ? {} : { sideways }) }),
    [parts, dominant, sideways],
  );
  const { score } = judged;
  const measures = useMemo(
    () => (score === null ? null : measureCombo(score, { tempo, ...jumper })),
    [score, tempo, jumper],
  );
  const apart = takenApart(parts, (id) => combos.find((combo) => combo.id === id)?.parts);
  const put = (next: Parts) => {
    setChosen(NOBODY);
    bench.put(next);
  };
  const toggle = (place: number) => {
    const next = new Set(chosen);
    if (!next.delete(place)) next.add(place);
    setChosen(next);
  };
  const [only] = chosen;
  const onePart = chosen.size === 1 && only !== undefined ? parts[only] : undefined;
  const words = score === null ? "" : listWords(readScore(score));
  return (
    <div className={classes.page}>
      <div className={`${classes.main} ${classes.build}`}>
        <Group gap="sm">
          <UndoRedo size="sm" onUndo={bench.undo} onRedo={bench.redo} />
          <Button
            variant="default"
            disabled={parts.length === 0}
            onClick={() => put(mirrored(parts, chosen))}
          >
            {chosen.size === 0 ? "Mirror all" : `Mirror ${chosen.size}`}
          </Button>
          <Button
            variant="default"
            disabled={chosen.size === 0 || parts.length + chosen.size > COMBO_LIMITS.parts}
            onClick={() => put(doubled(parts, chosen))}
          >
            Once more
          </Button>
          <Button variant="default" disabled={chosen.size === 0} onClick={() => put(without(parts, chosen))}>
            Remove
          </Button>
          <Button variant="subtle" disabled={parts.length === 0} onClick={() => put([])}>
            Clear the bench
          </Button>
          <NumberField
            aria-label="Tempo, bounces a minute"
            suffix=" a minute"
            w={140}
            min={COMBO_TEMPO.least}
            max={COMBO_TEMPO.most}
            value={tempo}
            onSay={setTempo}
          />
        </Group>
        {bench.unknown.length > 0 && (
          <Alert color="yellow" title={`${counted(bench.unknown.length, "part")} left out`}>
            This address asks for what nobody here knows, such as{" "}
            {listWords(bench.unknown.slice(0, MOST_NAMED).map((text) => text.slice(0, LONGEST_NAMED)))}. A
            skill or a combo may have been removed, or the address was cut short.
          </Alert>
        )}
        {parts.length === 0 ? (
          <Text className={classes.empty}>
            The bench is empty. Add skills from the list, type a score, or open a combo from the shelf.
          </Text>
        ) : (
          <PartLine
            parts={parts}
            judged={judged}
            names={names}
            chosen={chosen}
            onChoose={toggle}
            onPut={put}
          />
        )}
        <div role="status" className={classes.verdict}>
          {parts.length > 0 && judged.isLegal && <strong>Can be jumped.</strong>}
          {parts.length >= COMBO_LIMITS.parts && (
            <p>The bench is full: {COMBO_LIMITS.parts} parts. Remove some before you add others.</p>
          )}
        </div>
        <Joins
          parts={parts}
          judged={judged}
          names={names}
          dominant={dominant}
          sideways={sideways}
          onPut={put}
        />
      </div>
      <div className={`${classes.main} ${classes.rest}`}>
        {score !== null && measures !== null && (
          <>
            <FigureBraid
              score={score}
              timing={measures.timing}
              dominant={dominant}
              label={`The braid of: ${words.slice(0, 400)}`}
              name="This combo"
              whose={whose}
            />
            <CountsGrid score={score} />
            <Figures score={score} measures={measures} jumping={{ tempo, ...jumper }} student={student} />
          </>
        )}
        {onePart !== undefined && (
          <Neighbours
            part={onePart}
            name={partName(onePart, names)}
            student={student}
            onTake={(made) => {
              const place = only ?? 0;
              put([...parts.slice(0, place), ...made, ...parts.slice(place + 1)]);
            }}
          />
        )}
        {parts.length > 0 && students !== undefined && (
          <section aria-label="Who could do it">
            <h3>Who could do it</h3>
            <Who parts={apart} students={students} />
          </section>
        )}
      </div>
      <div className={classes.side}>
        <Keep
          parts={parts}
          combos={combos}
          isLegal={judged.isLegal}
          nameOf={(part) => plainName(part, names)}
        />
        <Palette
          student={student}
          combos={combos.filter((combo) => !combo.isRemoved)}
          onAdd={(part) => put(added(parts, [part]))}
        />
        <ScoreEntry parts={parts} text={comboText(parts)} dominant={dominant} onPut={put} />
      </div>
    </div>
  );
}

/** What is noted to the combo that what lies on the bench began as. */
function noteOf(from: string | null, combos: readonly ComboView[]): string {
  return [...STARTER_COMBOS, ...combos].find((one) => one.id === from)?.note ?? "";
}

interface KeepProps {
  readonly parts: Parts;
  readonly combos: readonly ComboView[];
  readonly isLegal: boolean;
  readonly nameOf: (part: Parts[number]) => string;
}

/** Keeps what lies on the bench as a combo of the studio. */
function Keep({ parts, combos, isLegal, nameOf }: KeepProps) {
  const paths = usePaths();
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const [typed, setTyped] = useState<string | null>(params.get("name"));
  const [note, setNote] = useState(() => params.get("note") ?? noteOf(params.get("from"), combos));
  const { keep } = useKeep();
  const mayTeach = useMayTeach();
  const name = typed ?? nameOfParts(parts, nameOf);
  const mayKeep = mayTeach && parts.length > 0 && isLegal && name.trim() !== "";
  const save = () => {
    keep.mutate([{ name: name.trim(), note: note.trim(), parts }], {
      onSuccess: ([stored]) => {
        const student = params.get("for");
        void navigate(paths.combo(stored?.id ?? "") + (student === null ? "" : `?for=${student}`));
      },
    });
  };
  return (
    <form
      className={classes.keep}
      onSubmit={(event) => {
        event.preventDefault();
        if (mayKeep && !keep.isPending) save();
      }}
    >
      <TextInput
        label="Save it as"
        maxLength={80}
        value={parts.length === 0 ? "" : name}
        disabled={parts.length === 0}
        onChange={(event) => setTyped(event.currentTarget.value)}
      />
      <Textarea
        label="Note"
        placeholder="What to mind in it"
        autosize
        minRows={1}
        maxLength={LONGEST_NOTE}
        value={note}
        disabled={parts.length === 0}
        onChange={(event) => setNote(event.currentTarget.value)}
      />
      <Button type="submit" disabled={!mayKeep} loading={keep.isPending}>
        Save the combo
      </Button>
      {parts.length > 0 && !isLegal && (
        <p className={classes.quiet}>It can be saved once every join is mended.</p>
      )}
      {!mayTeach && <p className={classes.quiet}>Coaches and owners can save combos.</p>}
    </form>
  );
}
