import {
  armsWords,
  expandBeats,
  heightOf,
  lowestHeight,
  measureScore,
  parseScore,
  printScore,
  readScore,
  sideScore,
  sidesOf,
  timeScore,
  type Score,
  type SideName,
  type Timing,
} from "@mirrup/core";
import { armWindows, speedChanges, type ArmWindow } from "@mirrup/core/figure";
import { turnRateOf } from "@mirrup/catalogue";
import { Group, SegmentedControl, Select, Table, Text, TextInput, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { useMayTeach } from "../account/index.js";
import { NumberField } from "../app/number-field.js";
import { catalogue } from "../app/catalogue.js";
import { currentParams } from "../app/current-params.js";
import { handOf } from "../app/hand-of.js";
import { beatName, heightWords } from "../app/jump-words.js";
import { SheetButton } from "../app/sheet-button.js";
import { offerUndo } from "../app/undo.js";
import { byAnyName, skillOptions } from "../app/skill-options.js";
import { useTyped } from "../app/use-typed.js";
import { capital, listWords, skillName, type LengthUnit } from "../app/words.js";
import { sayJump } from "../device/index.js";
import { FigureBraid } from "../figure/index.js";
import {
  detailQuery,
  lastSetsQuery,
  studentsQuery,
  useMeasuredJumps,
  useSettings,
} from "../students/index.js";
import { MeasureJump } from "./measure-jump.js";
import { timingOf } from "./timing-of.js";
import { changeWords, instantWords, remedyWords, windowName, windowsSheet } from "./timing-words.js";
import classes from "./timing.module.css";

const RATES = { least: 60, most: 400 } as const;
const DEFAULT_SCORE = "(o xr) o";

interface Asked {
  readonly skill: string | null;
  readonly side: SideName;
  readonly text: string;
  readonly studentId: string | null;
}

/** What the address asks for: a skill's side, or a score of its own. */
function askedOf(params: URLSearchParams): Asked {
  const skill = catalogue().skills.get(params.get("skill") ?? "");
  const sides = skill === undefined ? [] : sidesOf(skill);
  const side = sides.find((one) => one === params.get("side")) ?? sides.at(-1) ?? "whole";
  const score = skill === undefined ? null : sideScore(skill, side);
  const typed = params.get("score");
  return {
    skill: skill?.id ?? null,
    side,
    text: typed ?? (score === null ? DEFAULT_SCORE : printScore(score)),
    studentId: params.get("student"),
  };
}

/** How high, how fast, how long the hands have: of any score, for anybody. */
export function TimingPage() {
  const [params, setParams] = useSearchParams();
  const asked = askedOf(params);
  const ask = (changes: Readonly<Record<string, string | null>>) => {
    const next = currentParams();
    for (const [name, value] of Object.entries(changes)) {
      if (value === null) next.delete(name);
      else next.set(name, value);
    }
    setParams(next, { replace: true });
  };
  const score = useTyped(asked.text, (text) => ask({ score: text }));
  const parsed = useMemo(() => parseScore(asked.text), [asked.text]);
  const students = useQuery(studentsQuery);
  const { value } = useSettings();
  const usualRate = turnRateOf({ "double-height": value("double-height") });
  const rate = Number(params.get("rate") ?? usualRate);
  const turnRate = rate >= RATES.least && rate <= RATES.most ? rate : usualRate;
  const skill = asked.skill === null ? undefined : catalogue().skills.get(asked.skill);
  const sides = skill === undefined ? [] : sidesOf(skill);
  return (
    <div className={classes.page}>
      <Title order={1}>Timing</Title>
      <Group gap="md" align="end">
        <Select
          label="Of"
          placeholder="a score of its own"
          searchable
          clearable
          clearButtonProps={{ "aria-label": "No skill" }}
          filter={byAnyName}
          limit={40}
          data={skillOptions().filter(({ value: id }) => catalogue().skills.get(id)?.score !== null)}
          value={asked.skill}
          nothingFoundMessage="No skill has this name."
          onChange={(id) => ask({ skill: id, score: null, side: null })}
        />
        {sides.length > 1 && (
          <SegmentedControl
            aria-label="Side"
            data={sides.map((side) => ({ value: side, label: capital(side) }))}
            value={asked.side}
            onChange={(side) => ask({ side, score: null })}
          />
        )}
        <TextInput
          label="Score"
          w={260}
          value={score.value}
          error={parsed.ok ? undefined : parsed.fault.message}
          onChange={(event) => score.type(event.currentTarget.value)}
          onBlur={score.onBlur}
        />
        <Select
          label="For"
          placeholder="nobody in particular"
          searchable
          clearable
          clearButtonProps={{ "aria-label": "For nobody in particular" }}
          data={(students.data ?? []).map(({ id, name }) => ({ value: id, label: name }))}
          value={asked.studentId}
          nothingFoundMessage="No student is called that."
          onChange={(id) => ask({ student: id })}
        />
        <NumberField
          label="Rope at the most"
          suffix=" turns a minute"
          w={210}
          min={RATES.least}
          max={RATES.most}
          value={turnRate}
          onSay={(typed) => ask({ rate: String(typed) })}
        />
      </Group>
      {parsed.ok && (
        <Of
          key={asked.studentId}
          score={parsed.score}
          name={skill === undefined ? "This score" : capital(skillName(skill.id))}
          asked={asked}
          turnRate={turnRate}
        />
      )}
    </div>
  );
}

interface OfProps {
  readonly score: Score;
  readonly name: string;
  readonly asked: Asked;
  readonly turnRate: number;
}

function Of({ score, name, asked, turnRate }: OfProps) {
  const { studentId, skill, side } = asked;
  const { unit } = useSettings();
  const mayTeach = useMayTeach();
  const student = useQuery({ ...detailQuery(studentId ?? ""), enabled: studentId !== null });
  const isOneJump = expandBeats(score).length === 1;
  const sets = useQuery({
    ...lastSetsQuery(studentId ?? "", skill ?? "", side),
    enabled: studentId !== null && skill !== null && isOneJump,
  });
  const jumps = useMeasuredJumps(studentId);
  const dominant = handOf(student.data);
  const { highest } = measureScore(score);
  const options = useMemo(
    () => ({ ...timingOf(jumps, highest, turnRate), dominant }) as const,
    [jumps, highest, turnRate, dominant],
  );
  const timing = useMemo(() => timeScore(score, options), [score, options]);
  const windows = useMemo(() => armWindows(score, options), [score, options]);
  const words = listWords(readScore(score));
  const whose = student.data?.name ?? null;
  return (
    <>
      <FigureBraid
        score={score}
        timing={timing}
        dominant={options.dominant}
        label={`The braid of: ${words.slice(0, 400)}`}
        name={name}
        whose={student.data}
      />
      <div className={classes.columns}>
        <div className={classes.main}>
          <Windows windows={windows} name={name} whose={whose} />
          <Heights score={score} timing={timing} turnRate={turnRate} options={options} unit={unit} />
          <Speeds score={score} options={options} unit={unit} />
        </div>
        <MeasureJump
          name={whose}
          mayKeep={mayTeach}
          jumps={jumps}
          highest={highest}
          tapped={sets.data ?? []}
          unit={unit}
          onKeep={(jump) => studentId !== null && sayJump(studentId, jump, false)}
          onRemove={(jump) => {
            if (studentId === null) return;
            sayJump(studentId, jump, true);
            offerUndo("The measured jump is removed.", () => sayJump(studentId, jump, false));
          }}
        />
      </div>
    </>
  );
}

/** A table that is wider than the page is moved by the arrow keys. */
const REACHED_BY_KEYS = { viewportProps: { tabIndex: 0 } } as const;
/** More are in the sheet. */
const SHOWN = 64;

interface WindowsProps {
  readonly windows: readonly ArmWindow[];
  readonly name: string;
  readonly whose: string | null;
}

function Windows({ windows, name, whose }: WindowsProps) {
  if (windows.length === 0) return <Text>The hands stay where they are: there is no window to keep to.</Text>;
  return (
    <section aria-label="When the hands move">
      <Group justify="space-between">
        <Title order={2}>When the hands move</Title>
        <SheetButton name="windows" make={() => windowsSheet(windows)} size="sm" />
      </Group>
      <Table.ScrollContainer minWidth={640} scrollAreaProps={REACHED_BY_KEYS}>
        <Table captionSide="bottom">
          <Table.Caption>
            {name}
            {whose === null ? "" : `, as ${whose} jumps`}. Jumps are counted from the first.
            {windows.length > SHOWN &&
              ` The first ${String(SHOWN)} of ${String(windows.length)}; all are in the CSV.`}
          </Table.Caption>
          <Table.Thead>
            <Table.Tr>
              {["The hands", "Begin", "Are there", "Have", "Moves", "Moves a second"].map((heading) => (
                <Table.Th key={heading} scope="col">
                  {heading}
                </Table.Th>
              ))}
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {windows.slice(0, SHOWN).map((window) => (
              <Table.Tr
                key={`${String(window.to.beat)} ${String(window.to.turn)}`}
                data-tightest={window.isTightest}
              >
                <Table.Th scope="row">
                  {windowName(window)}
                  {window.isTightest && <span className={classes.tightest}>tightest</span>}
                </Table.Th>
                <Table.Td>
                  Jump {window.begin.beat + 1}: {instantWords(window.begin)}
                </Table.Td>
                <Table.Td>
                  Jump {window.end.beat + 1}: {instantWords(window.end)}
                </Table.Td>
                <Table.Td>{Math.round(1000 * window.seconds)} ms</Table.Td>
                <Table.Td>{window.cost}</Table.Td>
                <Table.Td>{window.demand.toFixed(1)}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
    </section>
  );
}

type Options = NonNullable<Parameters<typeof timeScore>[1]>;

interface HeightsProps {
  readonly score: Score;
  readonly timing: Timing;
  readonly turnRate: number;
  readonly options: Options;
  readonly unit: LengthUnit;
}

/** Each kind of jump once: how low it can be at the asked rope, and how fast the rope is at this height. */
function Heights({ score, timing, turnRate, options, unit }: HeightsProps) {
  const rows = useMemo(() => {
    const { contact, dominant } = options;
    const seen = new Set<string>();
    return expandBeats(score).flatMap((beat, place) => {
      const timed = timing.beats[place];
      const arms = beat.turns.map((turn) => turn.arms + (turn.caught ? "!" : "")).join(" ");
      if (timed?.turnRate == null || seen.has(arms)) return [];
      seen.add(arms);
      const lowest = lowestHeight(score, place, turnRate, {
        ...(contact === undefined ? {} : { contact }),
        dominant: dominant ?? "r",
      });
      return [{ place, beat, arms, lowest, rate: timed.turnRate, airtime: timed.airtime }];
    });
  }, [score, timing, turnRate, options]);
  return (
    <section aria-label="How high, how fast">
      <Title order={2}>How high, how fast</Title>
      <Table.ScrollContainer minWidth={480} scrollAreaProps={REACHED_BY_KEYS}>
        <Table>
          <Table.Thead>
            <Table.Tr>
              <Table.Th scope="col">Jump</Table.Th>
              <Table.Th scope="col">Lowest at {turnRate} turns a minute</Table.Th>
              <Table.Th scope="col">Jumped here</Table.Th>
              <Table.Th scope="col">The rope then turns</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {rows.map(({ place, beat, lowest, rate, airtime }) => (
              <Table.Tr key={place}>
                <Table.Th scope="row">
                  {capital(beatName(beat.turns.length))}:{" "}
                  {listWords(beat.turns.map(({ arms }) => armsWords(arms)))}
                </Table.Th>
                <Table.Td>{heightWords(lowest, unit)}</Table.Td>
                <Table.Td>{heightWords(heightOf(airtime), unit)}</Table.Td>
                <Table.Td>{Math.round(rate)} a minute</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
    </section>
  );
}

function Speeds({ score, options, unit }: Pick<HeightsProps, "score" | "options" | "unit">) {
  const changes = useMemo(() => speedChanges(score, options), [score, options]);
  if (changes.length === 0) return null;
  const beats = expandBeats(score);
  const nameOf = (place: number) => beatName(beats[place]?.turns.length ?? 1);
  return (
    <section aria-label="Where the rope’s speed changes">
      <Title order={2}>Where the rope’s speed changes</Title>
      {changes.map((change) => {
        const { from, to, rates } = change;
        const [slower, faster] = rates[0] < rates[1] ? [from, to] : [to, from];
        return (
          <div key={`${String(from)} ${String(to)}`}>
            <Text>
              {changeWords(
                change,
                `the ${nameOf(from)} of jump ${String(from + 1)}`,
                `the ${nameOf(to)} of jump ${String(to + 1)}`,
              )}{" "}
              To make it equal:
            </Text>
            <ul>
              {change.remedies.map((remedy) => (
                <li key={remedy.kind}>{remedyWords(remedy, nameOf(slower), nameOf(faster), unit)}</li>
              ))}
            </ul>
          </div>
        );
      })}
    </section>
  );
}
