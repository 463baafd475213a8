import { mirrorScore, sideScore, type Hand, type Score, type Timing } from "@mirrup/core";
import type { Jumper } from "@mirrup/core/figure";
import { Button, Text } from "@mantine/core";
import { useReducedMotion } from "@mantine/hooks";
import { useMemo, useRef, useState } from "react";
import { catalogue } from "../app/catalogue.js";
import type { Playhead } from "../braid/index.js";
import { FigureControls, MIRROR, NOBODY } from "./figure-controls.js";
import classes from "./figure.module.css";
import { bestView, ropeWords } from "./moment-words.js";
import { shownOf } from "./shown.js";
import { Strip } from "./strip.js";
import { TakeOut } from "./take-out.js";
import { Theatre } from "./theatre.js";
import { useTurned } from "./use-turned.js";

export interface FigureProps {
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

function useOther(chosen: string, score: Score, hand: Hand): Score | null {
  return useMemo(() => {
    if (chosen === NOBODY) return null;
    if (chosen === MIRROR) return mirrorScore(score);
    const skill = catalogue().skills.get(chosen);
    return skill === undefined ? null : sideScore(skill, hand === "l" ? "left" : "right");
  }, [chosen, score, hand]);
}

const NO_JUMPER: Jumper = {};

/** A trick as it is jumped, from any side, in step with whatever plays it. */
export function Figure({ score, timing, name, jumper, playhead }: FigureProps) {
  const { at, playing, speed, toggle } = playhead;
  const reduced = useReducedMotion();
  const [moves, setMoves] = useState(false);
  const first = useMemo(() => bestView(score), [score]);
  const [chosen, setChosen] = useState<string>(NOBODY);
  const [around, setAround] = useState(false);
  const turned = useTurned(first);
  const whose = jumper ?? NO_JUMPER;
  const asked = useMemo(() => ({ ...whose, timing }), [whose, timing]);
  const other = useOther(chosen, score, whose.dominant ?? "r");
  const shown = useMemo(() => shownOf(score, asked), [score, asked]);
  const beside = useMemo(
    () => (other === null ? null : shownOf(other, chosen === MIRROR ? asked : whose)),
    [other, chosen, asked, whose],
  );
  const warning = useMemo(() => ropeWords(shown.showing.motion), [shown]);
  const frame = useRef<HTMLDivElement>(null);
  const { fault } = shown.showing;
  const named = turned.named ?? first;
  return (
    <section className={classes.figure} aria-label={`Figure: ${name}`}>
      <div ref={frame} className={classes.picture}>
        {reduced && !moves ? (
          <>
            <Strip score={score} jumper={asked} view={named} />
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
        <FigureControls
          playing={playing}
          onToggle={toggle}
          named={turned.named}
          look={turned.look}
          turn={turned.turn}
          beside={chosen}
          onBeside={setChosen}
          around={around}
          onAround={setAround}
        />
        <TakeOut
          score={score}
          jumper={asked}
          name={name}
          view={turned.view}
          named={named}
          speed={speed}
          frame={frame}
        />
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
