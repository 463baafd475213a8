import { mirrorScore, sideScore, type Hand, type Score, type Timing } from "@mirrup/core";
import { Button, Text } from "@mantine/core";
import { useReducedMotion } from "@mantine/hooks";
import { useMemo, useRef, useState } from "react";
import { catalogue } from "../app/catalogue.js";
import type { Playhead } from "../braid/index.js";
import { FigureControls, MIRROR, NOBODY } from "./figure-controls.js";
import classes from "./figure.module.css";
import { jumperOf, type JumperProfile } from "./jumper.js";
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
  readonly whose?: JumperProfile | undefined;
  /** What plays it; the moment that tells most is shown before anything is played. */
  readonly playhead: Pick<Playhead, "at" | "playing" | "speed" | "toggle">;
  /** Another moment to show before anything is played, seconds. */
  readonly still?: number | undefined;
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
export function Figure({ score, timing, name, whose, playhead, still }: FigureProps) {
  const { at, playing, speed, toggle } = playhead;
  const reduced = useReducedMotion();
  const [moves, setMoves] = useState(false);
  const first = useMemo(() => bestView(score), [score]);
  const [chosen, setChosen] = useState<string>(NOBODY);
  const [around, setAround] = useState(false);
  const turned = useTurned(first);
  const jumper = useMemo(() => jumperOf(whose), [whose]);
  const asked = useMemo(() => ({ ...jumper, timing }), [jumper, timing]);
  const other = useOther(chosen, score, jumper.dominant ?? "r");
  const shown = useMemo(() => shownOf(score, asked, still), [score, asked, still]);
  const beside = useMemo(
    () => (other === null ? null : shownOf(other, chosen === MIRROR ? asked : jumper)),
    [other, chosen, asked, jumper],
  );
  const warning = useMemo(() => ropeWords(shown.showing.motion), [shown]);
  const frame = useRef<HTMLDivElement>(null);
  const { fault } = shown.showing;
  const named = turned.named ?? first;
  return (
    <section className={classes.room} aria-label={`Figure: ${name}`}>
      <div className={classes.figure}>
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
      </div>
    </section>
  );
}
