import { CAUTIONS, coachingOf, DRILLS } from "@mirrup/catalogue";
import { sideScore, skillOf } from "@mirrup/core";
import { isEasyPhase, type PlanBlock } from "@mirrup/core/planning";
import { Button, Group, Text, Title } from "@mantine/core";
import { useEffect, useRef } from "react";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { Strip } from "../figure/index.js";
import { drillOfWords } from "../app/drill-words.js";
import { capital, subjectName } from "../app/words.js";
import { homeBlocks } from "./home-blocks.js";
import classes from "./home-card.module.css";

interface HomeCardProps {
  readonly name: string;
  readonly blocks: readonly PlanBlock[];
  readonly onLeave: () => void;
}

const MINUTE = 60;

/** A drill as one says it at home: long holds in minutes. */
function plainWords({ subject, side, drill }: PlanBlock): string {
  return drill.kind === "hold" && drill.seconds >= 2 * MINUTE
    ? `Keep going for ${counted(Math.round(drill.seconds / MINUTE), "minute")}, resting when you need to`
    : capital(drillOfWords(subject, side, drill));
}

/** How it is jumped, in three pictures. */
function Shown({ subject, side }: Pick<PlanBlock, "subject" | "side">) {
  const skill = catalogue().skills.get(subject);
  const score = skill === undefined ? null : sideScore(skill, side);
  return score === null ? null : (
    <div className={classes.shown}>
      <Strip score={score} count={3} bare />
    </div>
  );
}

/** What to practise at home, in plain words and without the instructor: one page to take along. */
export function HomeCard({ name, blocks, onLeave }: HomeCardProps) {
  const home = homeBlocks(catalogue(), blocks);
  const card = useRef<HTMLElement>(null);
  useEffect(() => card.current?.scrollIntoView(), []);
  return (
    <section ref={card} className={classes.card}>
      <Group className={classes.tools}>
        <Button size="md" onClick={() => window.print()}>
          Print the card
        </Button>
        <Button size="md" variant="default" onClick={onLeave}>
          Back to the session
        </Button>
      </Group>
      <Title order={2}>{name}: practice at home</Title>
      <Text>
        {CAUTIONS["warm-up"]} {CAUTIONS.surface} {CAUTIONS.space}
      </Text>
      <ol className={classes.list}>
        {home.map((block) => {
          const { subject, side, drill, sets, minutes, phase, cautions } = block;
          const skill = skillOf(catalogue(), subject);
          const { say, look } = coachingOf(skill, drill);
          return (
            <li key={`${phase} ${subject}:${side}`}>
              <div className={classes.heading}>
                <Title order={3}>{capital(subjectName(subject, side))}</Title>
                <p className={classes.boxes} aria-label="A box for each day">
                  {["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"].map((day) => (
                    <span key={day}>
                      <i /> {day}
                    </span>
                  ))}
                </p>
              </div>
              {!isEasyPhase(phase) && <Shown subject={subject} side={side} />}
              <p>
                {plainWords(block)}
                {sets > 1 && `, ${sets} times with a rest between`}. {DRILLS[drill.kind].manner} About{" "}
                {minutes} minutes.
              </p>
              {!isEasyPhase(phase) && (
                <p>
                  Think of: {say} {skill.cues[0]} It counts when: {look}
                </p>
              )}
              {phase !== "warm-up" && cautions.length > 0 && (
                <p>Mind: {cautions.map((code) => CAUTIONS[code]).join(" ")}</p>
              )}
            </li>
          );
        })}
      </ol>
      {home.length <= 2 && (
        <Text>Everything else in this session is for the hall, where somebody stands by.</Text>
      )}
      <Text>
        Write down how many in a row you came to. Stop when something hurts, and tell your instructor; pain
        that stays is for a doctor.
      </Text>
    </section>
  );
}
