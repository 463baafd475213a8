import { ENERGIES, sideKey, type Energy, type PlanBlock, type StudentPlan } from "@mirrup/core";
import { Alert, Button, Group, NativeSelect, SegmentedControl, Skeleton, Text, Title } from "@mantine/core";
import { IconPin, IconPinFilled, IconPrinter, IconX } from "@tabler/icons-react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";
import { CAUTIONS } from "@mirrup/catalogue";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import {
  capital,
  drillWords,
  keyName,
  proposalWords,
  subjectName,
  weekWords,
  wholeWords,
} from "../app/words.js";
import { floorAddress } from "../floor/index.js";
import { loadQuery, planQuery, studentQuery } from "../students/index.js";
import { addressOfAsked, askedFrom, banned, pinned, startsOf, type PlanAsked } from "./plan-asked.js";
import { leftOutWords, PHASE_NAMES, planReasonWords } from "./plan-words.js";
import classes from "./session-page.module.css";

const LENGTHS = [15, 20, 30, 45, 60, 75, 90, 120] as const;
const ENERGY_NAMES: Readonly<Record<Energy, string>> = { fresh: "fresh", normal: "as usual", tired: "tired" };

/** Lengths to choose from, the one asked for among them. */
function lengths(minutes: number) {
  const all = LENGTHS.some((one) => one === minutes) ? LENGTHS : [minutes, ...LENGTHS];
  return all.map((value) => ({ value: String(value), label: `${value} minutes` }));
}

/** What do we do in these minutes, and why? */
export function SessionPage() {
  const { studentId = "" } = useParams();
  const [params, setParams] = useSearchParams();
  const asked = askedFrom(params);
  const student = useQuery(studentQuery(studentId));
  const load = useQuery(loadQuery(studentId));
  const plan = useQuery({
    ...planQuery(studentId, addressOfAsked(asked).toString()),
    placeholderData: keepPreviousData,
  });
  const ask = (next: PlanAsked) => setParams(addressOfAsked(next), { replace: true });
  if (plan.isError) {
    return (
      <Fault title="The session could not be planned" onRetry={() => void plan.refetch()}>
        {plan.error.message}
      </Fault>
    );
  }
  return (
    <section className={classes.page}>
      <Group className={classes.asked} align="end">
        <NativeSelect
          label="How long"
          size="md"
          value={String(asked.minutes)}
          data={lengths(asked.minutes)}
          onChange={(event) => ask({ ...asked, minutes: Number(event.currentTarget.value) })}
        />
        <div>
          <Text className={classes.label} id="energy">
            Today
          </Text>
          <SegmentedControl
            aria-labelledby="energy"
            size="md"
            value={asked.energy}
            data={ENERGIES.map((value) => ({ value, label: ENERGY_NAMES[value] }))}
            onChange={(value) => ask({ ...asked, energy: ENERGIES.find((one) => one === value) ?? "normal" })}
          />
        </div>
        <Button variant="default" size="md" leftSection={<IconPrinter aria-hidden />} onClick={() => print()}>
          Print
        </Button>
      </Group>
      {student.data?.hasStopped === true && (
        <Alert color="red" title="No jumping today">
          {CAUTIONS.pain}
        </Alert>
      )}
      {plan.data === undefined ? (
        <Skeleton height={320} />
      ) : (
        <>
          <Text className={classes.sum} role="status">
            {sumWords(plan.data, asked)} {load.data !== undefined && weekWords(load.data)}
          </Text>
          <Text className={classes.caution}>
            {CAUTIONS["warm-up"]} {CAUTIONS.surface}
          </Text>
          <Blocks studentId={studentId} plan={plan.data} asked={asked} onAsk={ask} />
          <Bans asked={asked} onAsk={ask} />
          <LeftOut plan={plan.data} asked={asked} onAsk={ask} />
        </>
      )}
    </section>
  );
}

function sumWords({ blocks, minutes, landings, multiples }: StudentPlan, asked: PlanAsked): string {
  const work = blocks.filter((block) => block.phase !== "warm-up" && block.phase !== "cool-down");
  if (asked.minutes === 0) return "There are no minutes to plan. Choose how long the session is.";
  if (work.length === 0)
    return "Nothing fits these minutes and what was left out. Let something in again, or take longer.";
  const many = multiples > 0 ? `, ${wholeWords(multiples)} of them multiples` : "";
  return `${minutes} of ${asked.minutes} minutes, about ${wholeWords(landings)} weighted landings${many}.`;
}

interface AskingProps {
  readonly asked: PlanAsked;
  readonly onAsk: (asked: PlanAsked) => void;
}

interface BlocksProps extends AskingProps {
  readonly studentId: string;
  readonly plan: StudentPlan;
}

function Blocks({ studentId, plan, asked, onAsk }: BlocksProps) {
  const starts = startsOf(plan.blocks);
  return (
    <ol className={classes.blocks}>
      {plan.blocks.map((block, place) => (
        <Block
          key={`${block.phase} ${block.subject} ${block.side}`}
          studentId={studentId}
          block={block}
          start={starts[place] ?? 0}
          asked={asked}
          onAsk={onAsk}
        />
      ))}
    </ol>
  );
}

interface BlockProps extends AskingProps {
  readonly studentId: string;
  readonly block: PlanBlock;
  readonly start: number;
}

function Block({ studentId, block, start, asked, onAsk }: BlockProps) {
  const paths = usePaths();
  const { phase, subject, side, drill, sets, minutes, rest, landings, reason, aim, chance } = block;
  const key = sideKey(subject, side);
  const name = subjectName(subject, side);
  const isFixed = phase === "warm-up" || phase === "cool-down";
  const isPinned = asked.pin.includes(key);
  const floor = `${paths.floor(studentId, subject, side)}${floorAddress(drill)}`;
  return (
    <li className={classes.block} data-phase={phase}>
      <span className={classes.time}>
        <strong>{start}</strong> min
      </span>
      <div className={classes.what}>
        <span className={classes.phase}>{PHASE_NAMES[phase]}</span>
        <Title order={2} className={classes.name}>
          {capital(name)}
        </Title>
        <span>
          {drillWords(drill)}
          {sets > 1 && `, ${sets} sets`}, {minutes} min{rest > 0 && ` with ${rest} min of rest`},{" "}
          {wholeWords(landings)} landings
        </span>
        <span className={classes.why}>
          {planReasonWords(reason)}
          {chance !== null && ` ${capital(proposalWords({ aim, chance }))}.`}
        </span>
      </div>
      {!isFixed && (
        <div className={classes.tools}>
          <Button component={Link} to={floor} size="sm">
            To the floor
          </Button>
          <Button
            variant="default"
            size="sm"
            aria-pressed={isPinned}
            leftSection={
              isPinned ? <IconPinFilled size={18} aria-hidden /> : <IconPin size={18} aria-hidden />
            }
            onClick={() => onAsk(pinned(asked, key, !isPinned))}
          >
            {isPinned ? "Kept" : "Keep"}
            <span className={classes.hidden}> {name}</span>
          </Button>
          <Button variant="default" size="sm" onClick={() => onAsk(banned(asked, key, true))}>
            Not today<span className={classes.hidden}>: {name}</span>
          </Button>
        </div>
      )}
    </li>
  );
}

function Bans({ asked, onAsk }: AskingProps) {
  if (asked.ban.length === 0) return null;
  return (
    <Group className={classes.bans} gap="xs">
      <Text>Not today:</Text>
      {asked.ban.map((side) => (
        <Button
          key={side}
          variant="default"
          size="sm"
          rightSection={<IconX size={16} aria-hidden />}
          onClick={() => onAsk(banned(asked, side, false))}
        >
          <span className={classes.hidden}>Let in again: </span>
          {keyName(side)}
        </Button>
      ))}
    </Group>
  );
}

function LeftOut({ plan, asked, onAsk }: AskingProps & { readonly plan: StudentPlan }) {
  const others = plan.leftOut.filter((one) => one.why.code !== "banned");
  if (others.length === 0) return null;
  return (
    <details className={classes.leftOut}>
      <summary>Left out, and why: {others.length}</summary>
      <ul>
        {others.map(({ subject, side, why }) => {
          const key = sideKey(subject, side);
          return (
            <li key={`${key} ${why.code}`}>
              <strong>{capital(subjectName(subject, side))}</strong>: {leftOutWords(why)}.
              {why.code === "less-useful" && !asked.pin.includes(key) && (
                <Button variant="default" size="compact-md" onClick={() => onAsk(pinned(asked, key, true))}>
                  Take it in<span className={classes.hidden}>: {subjectName(subject, side)}</span>
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}
