import { readScore, scoreOf } from "@mirrup/core";
import { COMBO_TEMPO, comboText, measureCombo } from "@mirrup/core/combos";
import { Skeleton, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { NumberField } from "../app/number-field.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { listWords } from "../app/words.js";
import { FigureBraid } from "../figure/index.js";
import { Call } from "./call.js";
import { Cautions } from "./cautions.js";
import classes from "./combo.module.css";
import { CountsGrid } from "./figures.js";
import { sharedComboQuery } from "./queries.js";
import { useTempoAsked } from "./use-tempo-asked.js";
import { secondsWords } from "./words.js";

const NO_NAMES = new Map<string, string>();

/** A combo for whoever has its link: to be read, watched and called out, and nothing else. */
export function SharedPage() {
  const { token = "" } = useParams();
  const shared = useQuery(sharedComboQuery(token));
  const { tempo, setTempo } = useTempoAsked();
  useDocumentTitle(`${shared.data?.name ?? "A combo"} · Mirrup`);
  const failure = failureOf(shared);
  if (failure !== null) return <Fault title="This combo cannot be shown">{failure.message}</Fault>;
  if (shared.data === undefined) return <Skeleton height={420} m="md" />;
  const { name, studio, parts } = shared.data;
  const score = scoreOf(comboText(parts));
  const measures = measureCombo(score, { tempo, dominant: "r" });
  return (
    <main className={classes.shared}>
      <header>
        <Title order={1}>{name}</Title>
        <Text>
          {studio}: {measures.counts} counts, {secondsWords(measures.seconds)} at {tempo} a minute.
        </Text>
        <code>{comboText(parts)}</code>
      </header>
      <FigureBraid
        score={score}
        timing={measures.timing}
        label={`The braid of: ${listWords(readScore(score)).slice(0, 400)}`}
        name={name}
      />
      <CountsGrid score={score} />
      <Cautions score={score} />
      <NumberField
        label="Tempo"
        suffix=" a minute"
        w={150}
        min={COMBO_TEMPO.least}
        max={COMBO_TEMPO.most}
        value={tempo}
        onSay={setTempo}
      />
      <Call parts={parts} side="right" names={NO_NAMES} />
    </main>
  );
}
