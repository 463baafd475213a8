import { mirrorScore, printScore, sideScore, type Hand, type Score, type Timing } from "@mirrup/core";
import {
  keyMoments,
  poseAt,
  showingOf,
  tellingMoment,
  type Jumper,
  type Showing,
  type ViewName,
} from "@mirrup/core/figure";
import { ActionIcon, Button, Checkbox, Group, Progress, SegmentedControl, Select, Text } from "@mantine/core";
import { useElementSize, useMergedRef, useReducedMotion } from "@mantine/hooks";
import {
  IconPlayerPauseFilled,
  IconPlayerPlayFilled,
  IconRotate,
  IconRotateClockwise,
} from "@tabler/icons-react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import type { Playhead } from "../braid/index.js";
import { coloursOf } from "./colours.js";
import classes from "./figure.module.css";
import { bestView, fileName, ropeWords, VIEW_NAMES, VIEW_SHOWS } from "./moment-words.js";
import type { Drawn } from "./stage.js";
import { Strip } from "./strip.js";
import { useClip } from "./use-clip.js";
import { useStage } from "./use-stage.js";
import { useTurned } from "./use-turned.js";

const NOBODY = "nobody";
const MIRROR = "mirror";
/** Metres between two who stand beside each other. */
const BESIDE = 0.95;
const FAINT = 0.3;
const QUARTER = Math.PI / 8;

interface FigureProps {
  readonly score: Score;
  /** When everything is: as in the braid beside it. */
  readonly timing: Timing;
  /** What the score is called: for its picture, its clip and its print. */
  readonly name: string;
  /** Whose body and rope it is; somebody of 1.70 m where nobody is known. */
  readonly jumper?: Jumper;
  /** What plays it; the moment that tells most is shown before anything is played. */
  readonly playhead: Pick<Playhead, "at" | "playing" | "speed" | "toggle">;
}

interface Shown {
  readonly showing: Showing;
  readonly still: number;
}

function shownOf(score: Score, jumper: Jumper): Shown {
  const showing = showingOf(score, jumper);
  const moment = tellingMoment(showing.motion);
  return { showing, still: moment === undefined ? 0 : moment.at % Math.max(1e-9, showing.seconds) };
}

function timeIn({ showing, still }: Shown, at: number | null): number {
  const { seconds, fault } = showing;
  const here = at === null ? still : seconds > 0 ? at % seconds : 0;
  return showing.offset + (fault === null ? here : Math.min(here, fault.at));
}

function drawnOf(shown: Shown, at: number, aside: number, strength: number): Drawn {
  const { motion } = shown.showing;
  return { pose: poseAt(motion, at), body: motion.body, aside, strength };
}

/** The moments around a time: the hands there, the pass and the landing of the jump that is shown. */
function aroundOf({ showing }: Shown, at: number): readonly number[] {
  const moments = keyMoments(showing.motion).filter(({ kind }) => kind !== "take-off");
  const next = moments.findIndex((moment) => moment.at >= at - 1e-6);
  return moments.slice(Math.max(0, next - 1), Math.max(0, next - 1) + 3).map((moment) => moment.at);
}

function useOther(chosen: string, score: Score, hand: Hand): Score | null {
  return useMemo(() => {
    if (chosen === NOBODY) return null;
    if (chosen === MIRROR) return mirrorScore(score);
    const skill = catalogue().skills.get(chosen);
    return skill === undefined ? null : sideScore(skill, hand === "l" ? "left" : "right");
  }, [chosen, score, hand]);
}

/** A trick as it is jumped, from any side, in step with whatever plays it. */
export function Figure({ score, timing, name, jumper, playhead }: FigureProps) {
  const { at, playing, speed, toggle } = playhead;
  const paths = usePaths();
  const reduced = useReducedMotion();
  const [moves, setMoves] = useState(false);
  const first = useMemo(() => bestView(score), [score]);
  const [chosen, setChosen] = useState<string>(NOBODY);
  const [around, setAround] = useState(false);
  const turned = useTurned(first);
  const clip = useClip();
  const whose = jumper ?? NO_JUMPER;
  const asked = useMemo(() => ({ ...whose, timing }), [whose, timing]);
  const hand = asked.dominant ?? "r";
  const other = useOther(chosen, score, hand);
  const shown = useMemo(() => shownOf(score, asked), [score, asked]);
  const beside = useMemo(
    () => (other === null ? null : shownOf(other, chosen === MIRROR ? asked : whose)),
    [other, chosen, asked, whose],
  );
  const warning = useMemo(() => ropeWords(shown.showing.motion), [shown]);
  const frame = useRef<HTMLDivElement>(null);
  const skills = useMemo(
    () => [
      { value: NOBODY, label: "nobody" },
      { value: MIRROR, label: "the other side" },
      ...[...catalogue().skills.values()]
        .filter((skill) => skill.score !== null)
        .map((skill) => ({ value: skill.id, label: skill.name })),
    ],
    [],
  );
  const { fault } = shown.showing;
  const save = () => {
    const { current } = frame;
    if (current === null) return;
    const { view } = turned;
    clip.make({ score, jumper: asked, view, colours: coloursOf(current), speed }, fileName(name, "gif"));
  };
  const print = `${paths.frames}?${new URLSearchParams({ name, score: printScore(score), view: turned.named ?? first }).toString()}`;
  return (
    <section className={classes.figure} aria-label={`Figure: ${name}`}>
      <div ref={frame} className={classes.picture}>
        {reduced && !moves ? (
          <>
            <Strip score={score} jumper={asked} view={turned.named ?? first} />
            <Button variant="default" size="sm" mt="sm" onClick={() => setMoves(true)}>
              Show it moving
            </Button>
          </>
        ) : (
          <Theatre
            shown={shown}
            beside={beside}
            at={at}
            around={around}
            turned={turned}
            label={`${name}, as it is jumped. Drag, or press the arrow keys, to look from another side.`}
          />
        )}
      </div>
      <div className={classes.controls}>
        <SegmentedControl
          aria-label="Seen from"
          size="sm"
          fullWidth
          value={turned.named ?? ""}
          onChange={(value) => turned.look(value as ViewName)}
          data={Object.entries(VIEW_NAMES).map(([value, label]) => ({ value, label }))}
        />
        <Group gap="xs" wrap="nowrap">
          <ActionIcon
            size={44}
            variant="default"
            aria-label={playing ? "Pause the figure" : "Play the figure"}
            onClick={toggle}
          >
            {playing ? (
              <IconPlayerPauseFilled size={18} aria-hidden />
            ) : (
              <IconPlayerPlayFilled size={18} aria-hidden />
            )}
          </ActionIcon>
          <ActionIcon
            size={44}
            variant="default"
            aria-label="Turn to the left"
            onClick={() => turned.turn(-QUARTER, 0)}
          >
            <IconRotate size={20} aria-hidden />
          </ActionIcon>
          <ActionIcon
            size={44}
            variant="default"
            aria-label="Turn to the right"
            onClick={() => turned.turn(QUARTER, 0)}
          >
            <IconRotateClockwise size={20} aria-hidden />
          </ActionIcon>
        </Group>
        <Text size="sm">
          {turned.named === null ? "Drag the picture to turn it." : `Shows ${VIEW_SHOWS[turned.named]}.`}
        </Text>
        <Select
          label="Beside it"
          data={skills}
          value={chosen}
          searchable
          allowDeselect={false}
          nothingFoundMessage="No skill is called that."
          onChange={(value) => setChosen(value ?? NOBODY)}
        />
        <Checkbox
          label="Where the hands, the rope and the feet come next"
          checked={around}
          onChange={(event) => setAround(event.currentTarget.checked)}
        />
        <Group gap="sm">
          <Button component={Link} to={print} variant="default" size="sm">
            Print six frames
          </Button>
          {clip.state.kind === "making" ? (
            <Button variant="default" size="sm" onClick={clip.stop}>
              Stop
            </Button>
          ) : (
            <Button variant="default" size="sm" onClick={save}>
              Save as a clip
            </Button>
          )}
        </Group>
        <div role="status" className={classes.said}>
          {clip.state.kind === "making" && (
            <Progress value={100 * clip.state.share} aria-label="How much of the clip is made" />
          )}
          {clip.state.kind === "saved" && <Text size="sm">Saved as {clip.state.name}.</Text>}
          {clip.state.kind === "failed" && (
            <Text size="sm" c="var(--fault)">
              The clip could not be made in this browser. Print the six frames instead.
            </Text>
          )}
        </div>
        {fault !== null && (
          <Text role="alert" fw={600}>
            The figure stops in jump {fault.beat + 1}: {fault.message}
          </Text>
        )}
        {warning !== null && (
          <Text role="alert" fw={600}>
            {warning}
          </Text>
        )}
      </div>
    </section>
  );
}

const NO_JUMPER: Jumper = {};

interface TheatreProps {
  readonly shown: Shown;
  readonly beside: Shown | null;
  readonly at: number | null;
  readonly around: boolean;
  readonly turned: ReturnType<typeof useTurned>;
  readonly label: string;
}

/** The picture itself. */
function Theatre({ shown, beside, at, around, turned, label }: TheatreProps) {
  const [flat, setFlat] = useState(false);
  const { ref: sized, width, height } = useElementSize();
  const canvas = useRef<HTMLCanvasElement>(null);
  const merged = useMergedRef(sized, canvas);
  const onFlat = useCallback(() => setFlat(true), []);
  const stage = useStage(canvas, flat, onFlat);
  const { view } = turned;
  useEffect(() => {
    if (stage === null || width === 0 || height === 0) return;
    stage.resize(width, height);
  }, [stage, width, height]);
  useEffect(() => {
    if (stage === null || width === 0 || height === 0) return;
    const here = timeIn(shown, at);
    const side = beside === null ? 0 : BESIDE * shown.showing.motion.body.scale;
    stage.draw(
      [
        drawnOf(shown, here, side, 1),
        ...(beside === null ? [] : [drawnOf(beside, timeIn(beside, at), -side, 1)]),
        ...(around ? aroundOf(shown, here).map((moment) => drawnOf(shown, moment, side, FAINT)) : []),
      ],
      view,
    );
  }, [stage, shown, beside, at, around, view, width, height]);
  return (
    <canvas
      key={flat ? "flat" : "deep"}
      ref={merged}
      className={classes.canvas}
      role="img"
      aria-label={label}
      tabIndex={0}
      data-stage={stage?.kind}
      data-at={at?.toFixed(2)}
      {...turned.handlers}
    />
  );
}
