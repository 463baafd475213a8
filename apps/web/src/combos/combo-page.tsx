import type { ComboView } from "@mirrup/contract";
import { readScore, scoreOf } from "@mirrup/core";
import { COMBO_TEMPO, comboText, measureCombo, onSide, sidesOfScore, takenApart } from "@mirrup/core/combos";
import { Button, Group, Skeleton, TextInput, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { useMayTeach } from "../account/index.js";
import { NumberField } from "../app/number-field.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { listWords } from "../app/words.js";
import { FigureBraid } from "../figure/index.js";
import { detailQuery, useSettings } from "../students/index.js";
import { addressOfParts } from "./bench-address.js";
import benchClasses from "./bench.module.css";
import { Call } from "./call.js";
import { Cautions } from "./cautions.js";
import classes from "./combo.module.css";
import { ClassRounds } from "./class-rounds.js";
import { ComboNote } from "./combo-note.js";
import { CountsGrid, Figures } from "./figures.js";
import { askedSide, Learn } from "./learn.js";
import { combosQuery, namesOf } from "./queries.js";
import { Share } from "./share.js";
import { useComboStudents, useFor } from "./use-for.js";
import { useKeep } from "./use-keep.js";
import { useTempoAsked } from "./use-tempo-asked.js";
import { Who } from "./who.js";

/** A kept combo: how it is learned, called and shared. */
export function ComboPage() {
  const { comboId = "" } = useParams();
  const paths = usePaths();
  const combos = useQuery(combosQuery);
  const combo = combos.data?.find((one) => one.id === comboId);
  const failure = failureOf(combos);
  if (failure !== null) {
    return (
      <Fault title="The combo could not be read" onRetry={() => void combos.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (combos.data === undefined) return <Skeleton height={420} mt="md" />;
  if (combo === undefined) {
    return (
      <Fault title="There is no such combo">
        It may belong to another studio. <Link to={paths.combos}>Look for it on the shelf.</Link>
      </Fault>
    );
  }
  return <Combo key={combo.id} combo={combo} combos={combos.data} />;
}

function Combo({ combo, combos }: { readonly combo: ComboView; readonly combos: readonly ComboView[] }) {
  const paths = usePaths();
  const [params] = useSearchParams();
  const { student, jumper, isReading, onward } = useFor();
  const whose = useQuery({ ...detailQuery(student?.id ?? ""), enabled: student !== undefined }).data;
  const students = useComboStudents();
  const { tempo, setTempo } = useTempoAsked();
  const { value } = useSettings();
  const mayTeach = useMayTeach();
  const names = namesOf(combos);
  const side = askedSide(params, sidesOfScore(combo.parts));
  const score = scoreOf(comboText(onSide(combo.parts, side)));
  const measures = measureCombo(score, { tempo, ...jumper });
  const words = listWords(readScore(score));
  const bench = new URLSearchParams({ parts: addressOfParts(combo.parts), from: combo.id });
  if (onward !== null) bench.set("for", onward);
  return (
    <article className={classes.page}>
      <Heading combo={combo} benchAddress={`${paths.comboPage("bench")}?${bench.toString()}`} />
      <div className={classes.columns}>
        <div className={classes.left}>
          <FigureBraid
            score={score}
            timing={measures.timing}
            dominant={jumper.dominant}
            label={`The braid of: ${words.slice(0, 400)}`}
            name={combo.name}
            whose={whose}
          />
          <CountsGrid score={score} />
          <Group gap="sm" className={classes.noPrint}>
            <NumberField
              label="Tempo"
              suffix=" a minute"
              w={150}
              min={COMBO_TEMPO.least}
              max={COMBO_TEMPO.most}
              value={tempo}
              onSay={setTempo}
            />
          </Group>
          <Figures
            score={score}
            measures={measures}
            jumping={{ tempo, ...jumper }}
            student={students?.find((one) => one.id === student?.id)}
          />
          <Cautions score={score} />
          {students !== undefined && (
            <section className={benchClasses.who} aria-label="Who could do it">
              <Title order={2}>Who could do it</Title>
              <Who
                parts={takenApart(combo.parts, (id) => combos.find((one) => one.id === id)?.parts)}
                students={students}
              />
            </section>
          )}
        </div>
        <div className={classes.right}>
          <Learn combo={combo} student={student} isReading={isReading} tempo={tempo} names={names} />
          {mayTeach && !combo.isRemoved && <ClassRounds comboId={combo.id} />}
          <Share combo={combo} tempo={tempo} />
        </div>
      </div>
      <Call parts={combo.parts} side={side} names={names} accepted={value("fused-forms")} />
    </article>
  );
}

function Heading({ combo, benchAddress }: { readonly combo: ComboView; readonly benchAddress: string }) {
  const paths = usePaths();
  const navigate = useNavigate();
  const { change, takeOff } = useKeep();
  const [typed, setTyped] = useState<string | null>(null);
  const mayTeach = useMayTeach();
  const { id, version } = combo;
  return (
    <header className={classes.heading}>
      {typed === null ? (
        <Title order={2} className={classes.name}>
          {combo.name}
        </Title>
      ) : (
        <form
          className={classes.rename}
          onSubmit={(event) => {
            event.preventDefault();
            if (typed.trim() !== "")
              change.mutate({ id, version, name: typed.trim() }, { onSuccess: () => setTyped(null) });
          }}
        >
          <TextInput
            aria-label="Name"
            data-autofocus
            maxLength={80}
            value={typed}
            onChange={(event) => setTyped(event.currentTarget.value)}
          />
          <Button type="submit" disabled={typed.trim() === ""} loading={change.isPending}>
            Rename
          </Button>
          <Button variant="subtle" onClick={() => setTyped(null)}>
            Cancel
          </Button>
        </form>
      )}
      {combo.isRemoved && <strong>Removed from the shelf.</strong>}
      <code>{comboText(combo.parts)}</code>
      <ComboNote combo={combo} />
      <Group gap="xs" className={classes.noPrint}>
        {mayTeach && typed === null && (
          <Button variant="default" onClick={() => setTyped(combo.name)}>
            Rename
          </Button>
        )}
        <Button component={Link} to={benchAddress} variant="default">
          A copy to the bench
        </Button>
        {mayTeach && !combo.isRemoved && (
          <Button variant="subtle" onClick={() => takeOff(combo, () => void navigate(paths.combos))}>
            Remove from the shelf
          </Button>
        )}
        {mayTeach && combo.isRemoved && (
          <Button variant="default" onClick={() => change.mutate({ id, version, isRemoved: false })}>
            Put back on the shelf
          </Button>
        )}
      </Group>
    </header>
  );
}
