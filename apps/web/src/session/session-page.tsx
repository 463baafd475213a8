import { sideKey, type CautionCode } from "@mirrup/core";
import { ENERGIES, isEasyPhase, PLAN_WEIGHTS, type Energy, type StudentPlan } from "@mirrup/core/planning";
import { Alert, Button, Group, NativeSelect, SegmentedControl, Skeleton, Text } from "@mantine/core";
import { IconHome, IconPrinter, IconX } from "@tabler/icons-react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { CAUTIONS } from "@mirrup/catalogue";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { UndoRedo } from "../app/undo-redo.js";
import { Term } from "../app/term.js";
import { AtHand } from "../app/at-hand.js";
import { capital, keyName, subjectName, weekWords, wholeWords } from "../app/words.js";
import { useStops } from "../device/index.js";
import { doneTodayQuery, loadQuery, planQuery, studentQuery } from "../students/index.js";
import { blockNow, useLed } from "../led/index.js";
import { HomeCard } from "./home-card.js";
import { banned, orderedBlocks, pinned, questionOf, type PlanAsked } from "./plan-asked.js";
import { ledBlock } from "./led-block.js";
import { useAsked } from "./use-asked.js";
import { Blocks, type AskingProps } from "./plan-blocks.js";
import { PlanStrip } from "./plan-strip.js";
import { leftOutWords, noteWords } from "./plan-words.js";
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
  const paths = usePaths();
  const { asked, ask, undo, redo } = useAsked();
  const student = useQuery(studentQuery(studentId));
  const isStopped = useStops();
  const load = useQuery(loadQuery(studentId));
  const done = useQuery(doneTodayQuery(studentId));
  const [isCard, setCard] = useState(false);
  const plan = useQuery({
    ...planQuery(studentId, questionOf(asked).toString()),
    placeholderData: keepPreviousData,
  });
  const failure = failureOf(plan);
  if (failure !== null) {
    return (
      <Fault title="The session could not be planned" onRetry={() => void plan.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (isCard && plan.data !== undefined) {
    const blocks = orderedBlocks(plan.data.blocks, asked.order);
    return <HomeCard name={student.data?.name ?? ""} blocks={blocks} onLeave={() => setCard(false)} />;
  }
  return (
    <section className={classes.page}>
      <Group className={classes.asked} align="end" gap="sm">
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
        <UndoRedo size="md" onUndo={undo} onRedo={redo} />
        <Begin studentId={studentId} plan={plan.data} asked={asked} />
        <Button component={Link} to={paths.clock(studentId)} variant="default" size="md" px="sm">
          Interval clock
        </Button>
        <Button
          variant="default"
          size="md"
          px="sm"
          leftSection={<IconPrinter size={20} aria-hidden />}
          onClick={() => print()}
        >
          Print
        </Button>
        <Button
          variant="default"
          size="md"
          px="sm"
          leftSection={<IconHome size={20} aria-hidden />}
          disabled={plan.data === undefined}
          onClick={() => setCard(true)}
        >
          Home practice
        </Button>
      </Group>
      <AtHand missing={asked.missing} onChange={(missing) => ask({ ...asked, missing })} />
      {isStopped(studentId, student.data?.hasStopped ?? false) && (
        <Alert color="red" title="No jumping today">
          {CAUTIONS.pain}
        </Alert>
      )}
      {plan.data === undefined ? (
        <Skeleton height={320} />
      ) : (
        <>
          <Text className={classes.sum} role="status">
            <Sum plan={plan.data} asked={asked} /> {costWords(plan.data, asked)}{" "}
            {load.data !== undefined && weekWords(load.data)}
          </Text>
          {plan.data.blocks.length > 0 && (
            <PlanStrip
              blocks={orderedBlocks(plan.data.blocks, asked.order)}
              minutes={Math.min(asked.minutes, Math.ceil(plan.data.minutes / 5) * 5)}
            />
          )}
          {plan.data.notes.map((note) => (
            <Alert key={note.code} color="yellow">
              {noteWords(note)}
            </Alert>
          ))}
          <ul className={classes.caution} aria-label="Cautions">
            {cautionsOfPlan(plan.data).map((code) => (
              <li key={code}>{CAUTIONS[code]}</li>
            ))}
          </ul>
          <Text size="sm" className={classes.weights}>
            What a block is worth is what the plan would lose without it. A drill at its gate is worth{" "}
            {PLAN_WEIGHTS.reason["near-gate"]}, a review {PLAN_WEIGHTS.reason.review}.
          </Text>
          <Blocks studentId={studentId} plan={plan.data} done={done.data ?? []} asked={asked} onAsk={ask} />
          <Bans asked={asked} onAsk={ask} />
          <LeftOut plan={plan.data} asked={asked} onAsk={ask} />
        </>
      )}
    </section>
  );
}

/** Holds the session as it is planned, or goes on with the one that is held. */
function Begin({
  studentId,
  plan,
  asked,
}: {
  readonly studentId: string;
  readonly plan: StudentPlan | undefined;
  readonly asked: PlanAsked;
}) {
  const paths = usePaths();
  const navigate = useNavigate();
  const { led, begin } = useLed(studentId);
  const { data: student } = useQuery(studentQuery(studentId));
  const hasStopped = useStops()(studentId, student?.hasStopped ?? false);
  const blocks = plan === undefined ? [] : orderedBlocks(plan.blocks, asked.order).map(ledBlock);
  if (hasStopped) return null;
  if (led !== null && blockNow(led) !== null)
    return (
      <Button component={Link} to={paths.led(studentId)} size="md">
        Go on with the session
      </Button>
    );
  return (
    <Button
      size="md"
      disabled={blocks.length === 0}
      onClick={() => {
        begin(blocks);
        void navigate(paths.led(studentId));
      }}
    >
      Begin the session
    </Button>
  );
}

/** What to mind in what is planned, each once; the warm-up and the floor always. */
function cautionsOfPlan({ blocks }: StudentPlan): readonly CautionCode[] {
  return [...new Set<CautionCode>(["warm-up", "surface", ...blocks.flatMap((block) => block.cautions)])];
}

function Sum({ plan, asked }: { readonly plan: StudentPlan; readonly asked: PlanAsked }) {
  const { blocks, minutes, landings, multiples } = plan;
  const work = blocks.filter((block) => !isEasyPhase(block.phase));
  if (asked.minutes === 0) return "There are no minutes to plan. Choose how long the session is.";
  if (work.length === 0)
    return "Nothing fits these minutes and what was left out. Bring something back, or take longer.";
  const many = multiples > 0 ? `, ${wholeWords(multiples)} of them multiples` : "";
  return (
    <>
      {minutes} of {asked.minutes} minutes, about {wholeWords(landings)}{" "}
      <Term id="landing">weighted landings</Term>
      {many}.
    </>
  );
}

/** What was settled by hand costs, by the plan's own weights; nothing is said of a plan that nobody touched. */
function costWords({ cost }: StudentPlan, { ban, pin, more }: PlanAsked): string {
  if (ban.length + pin.length + more.size === 0) return "";
  return cost > 0
    ? `What you changed costs ${cost.toFixed(1)} of the plan’s worth; a drill at the gate is worth ${PLAN_WEIGHTS.reason["near-gate"]}.`
    : "What you changed costs nothing.";
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
          <span className={classes.hidden}>Bring back: </span>
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
                  Add it to the plan<span className={classes.hidden}>: {subjectName(subject, side)}</span>
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}
