import { turnRateOf } from "@mirrup/catalogue";
import {
  checkScore,
  expandBeats,
  measureScore,
  mirrorScore,
  parseScore,
  printScore,
  readScore,
  skillsByScore,
  timeScore,
  type Hand,
  type Measures,
  type RuleFault,
  type Score,
  type Timing,
} from "@mirrup/core";
import { Button, Checkbox, Group, Text } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { pluralOf } from "../app/plural.js";
import { usePaths } from "../app/paths.js";
import { capital, linkWords, listWords, skillName } from "../app/words.js";
import { FigureBraid } from "../figure/index.js";
import { useSettings } from "../students/index.js";
import { BodyControls, DEFAULT_BODY, timingOptions, type BodySettings } from "./body-controls.js";
import { ScoreEditor } from "./score-editor.js";
import { ScorePad } from "./score-pad.js";
import classes from "./score-desk.module.css";

type Reading =
  | { readonly ok: false; readonly faults: readonly RuleFault[] }
  | {
      readonly ok: true;
      readonly score: Score;
      readonly faults: readonly RuleFault[];
      readonly measures: Measures;
      readonly timing: Timing;
    };

function readText(
  text: string,
  loop: boolean,
  body: BodySettings,
  dominant: Hand,
  turnRate: number,
): Reading {
  const parsed = parseScore(text);
  if (!parsed.ok) return { ok: false, faults: [parsed.fault] };
  const { score } = parsed;
  const highest = measureScore(score).highest;
  return {
    ok: true,
    score,
    faults: checkScore(score, { loop, dominant }),
    measures: measureScore(score, { dominant }),
    timing: timeScore(score, { ...timingOptions(body, highest, turnRate), dominant }),
  };
}

function Figures({ measures, timing }: { readonly measures: Measures; readonly timing: Timing }) {
  const rates = timing.beats.flatMap((beat) => beat.turnRate ?? []);
  const fastest = rates.length === 0 ? "–" : `${Math.round(Math.max(...rates))} a minute`;
  const figures: readonly (readonly [string, string])[] = [
    ["beats", String(measures.beats)],
    ["turns", String(measures.turns)],
    ["most turns in one jump", String(measures.highest)],
    ["hand moves", `${measures.handMoves}, ${measures.airMoves} in the air`],
    ["landings", String(measures.contacts)],
    ["length", `${timing.duration.toFixed(2)} s`],
    ["fastest turn", fastest],
    ["ends", `${measures.endDirection}, facing ${measures.endFacing}`],
  ];
  return (
    <dl className={classes.figures}>
      {figures.map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

function Tightest({ score, timing }: { readonly score: Score; readonly timing: Timing }) {
  const link = timing.tightest === null ? undefined : timing.links[timing.tightest];
  if (link === undefined || link.cost === 0) return null;
  const beats = expandBeats(score);
  const arms = (place: { readonly beat: number; readonly turn: number }) =>
    beats[place.beat]?.turns[place.turn]?.arms ?? "o";
  return (
    <Text>
      <strong>Tightest link:</strong> {linkWords(arms(link.from), arms(link.to))}, {link.cost} hand{" "}
      {pluralOf(link.cost, "move")} in {Math.round(link.window * 1000)} ms.
    </Text>
  );
}

/** The other skills of the catalogue that this very score belongs to. */
function SameScore({ score, except }: { readonly score: Score; readonly except: string | null }) {
  const paths = usePaths();
  const skills = skillsByScore(catalogue(), score).filter((skill) => skill.id !== except);
  if (skills.length === 0) return null;
  return (
    <Text>
      This score is{" "}
      {skills.map((skill, index) => (
        <span key={skill.id}>
          {index > 0 && " and "}
          <Link to={paths.skill(skill.id)}>{skill.name}</Link>
        </span>
      ))}
      .
    </Text>
  );
}

interface ScoreDeskProps {
  /** The skill whose score is on the desk; null for a desk of its own. */
  readonly skillId: string | null;
  readonly original: string | null;
  readonly text: string;
  readonly onChange: (text: string) => void;
}

/** A score, typed or pasted: drawn while typing, judged, measured, timed, mirrored and read aloud. */
export function ScoreDesk({ skillId, original, text, onChange }: ScoreDeskProps) {
  const [body, setBody] = useState<BodySettings>(DEFAULT_BODY);
  const [loop, setLoop] = useState(true);
  const [isPlayed, setPlayed] = useState(false);
  const [isLeft, setLeft] = useLocalStorage({
    key: "mirrup-left-handed-desk",
    defaultValue: false,
    getInitialValueInEffect: false,
  });
  const { value } = useSettings();
  const turnRate = turnRateOf({ "double-height": value("double-height") });
  const dominant: Hand = isLeft ? "l" : "r";
  const reading = useMemo(
    () => readText(text, loop, body, dominant, turnRate),
    [text, loop, body, dominant, turnRate],
  );
  const paths = usePaths();
  const timed = new URLSearchParams(skillId === null ? { score: text } : { skill: skillId, score: text });
  const whose = useMemo(
    () => ({ heightMm: null, ropeLengthMm: null, dominantHand: isLeft ? ("left" as const) : null }),
    [isLeft],
  );
  const words = reading.ok ? listWords(readScore(reading.score)) : "";
  return (
    <section className={classes.desk} aria-label="Score desk">
      <ScoreEditor text={text} faults={reading.faults} original={original} onChange={onChange} />
      {isPlayed && <ScorePad text={text} onChange={onChange} />}
      <Group gap="sm">
        <Button
          variant="default"
          size="sm"
          aria-expanded={isPlayed}
          onClick={() => setPlayed((before) => !before)}
        >
          {isPlayed ? "Put the pad away" : "Play it on a pad"}
        </Button>
        <Button
          variant="default"
          size="sm"
          disabled={!reading.ok}
          onClick={() => reading.ok && onChange(printScore(mirrorScore(reading.score)))}
        >
          Mirror
        </Button>
        <Button
          variant="default"
          size="sm"
          disabled={!reading.ok}
          onClick={() => reading.ok && onChange(printScore(reading.score))}
        >
          Tidy up
        </Button>
        <Button component={Link} to={`${paths.timing}?${timed.toString()}`} variant="default" size="sm">
          Timing
        </Button>
        <Checkbox
          label="must follow itself"
          checked={loop}
          onChange={(event) => setLoop(event.currentTarget.checked)}
        />
        <Checkbox
          label="for a left-hander"
          checked={isLeft}
          onChange={(event) => setLeft(event.currentTarget.checked)}
        />
        {reading.ok && reading.faults.length === 0 && <Text fw={700}>Can be jumped.</Text>}
      </Group>
      {reading.ok && (
        <>
          <Text className={classes.words}>{words}</Text>
          <FigureBraid
            score={reading.score}
            timing={reading.timing}
            dominant={dominant}
            label={`The braid of: ${words}`}
            name={skillId === null ? "This score" : capital(skillName(skillId))}
            whose={whose}
          />
          <Tightest score={reading.score} timing={reading.timing} />
          <SameScore score={reading.score} except={skillId} />
          <BodyControls
            body={body}
            highest={reading.measures.highest}
            turnRate={turnRate}
            onChange={setBody}
          />
          <Figures measures={reading.measures} timing={reading.timing} />
        </>
      )}
    </section>
  );
}
