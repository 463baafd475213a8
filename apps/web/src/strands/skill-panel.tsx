import { optionOf, SETTINGS } from "@mirrup/catalogue";
import type { NextItem, StandingItem } from "@mirrup/contract";
import { printScore, skillOf } from "@mirrup/core";
import { isMet, type Goal } from "@mirrup/core/teaching";
import { Button, CloseButton, Group, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useId } from "react";
import { Link } from "react-router";
import { ownDay } from "../app/own-day.js";
import { catalogue } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { Term } from "../app/term.js";
import {
  capital,
  dateWords,
  gateWords,
  listWords,
  lockedWords,
  percentWords,
  skillName,
  STATUS_NAMES,
  subjectName,
  triesWords,
} from "../app/words.js";
import type { SkillStanding } from "../beads/index.js";
import { detailQuery, LastSets, MissMap, pathQuery, studioQuery } from "../students/index.js";
import { useMayTeach } from "../account/index.js";
import { DecideForm } from "./decide-form.js";
import { Ladder } from "./ladder.js";
import { NextCard } from "./next-card.js";
import classes from "./skill-panel.module.css";

interface SidePanelProps {
  readonly studentId: string;
  readonly item: StandingItem;
  readonly next: NextItem | undefined;
  readonly mayDecide: boolean;
}

/** The shortest drill today that would open a locked side, or the first of several. */
function Opening({ studentId, item }: Omit<SidePanelProps, "next" | "mayDecide">) {
  const paths = usePaths();
  const { subject, side } = item;
  const path = useQuery(pathQuery(studentId, [{ subject, side }]));
  const before = (path.data?.steps ?? []).filter((step) => step.subject !== subject || step.side !== side);
  const step = before.find((one) => one.status !== "locked" && one.subject !== "base-test");
  if (step === undefined) return null;
  return (
    <Text className={classes.opening}>
      {before.length === 1 ? "This would open it today: " : `First of ${before.length} steps to it: `}
      <Link to={paths.floor(studentId, step.subject, step.side)} className={classes.book}>
        {gateWords(step.gate)} of {subjectName(step.subject, step.side)}
      </Link>
      , {triesWords(step.tries)}.
    </Text>
  );
}

const CLEARED_BY: Readonly<Record<NonNullable<StandingItem["clearedBy"]>, string>> = {
  gate: "its gate was met",
  hand: "cleared by hand",
  placed: "placed: seen clean",
};

/** One side's record: where it stands, what its gate asks, why it is locked, and its drill. */
function SideRecord({ studentId, item, next, mayDecide }: SidePanelProps) {
  const paths = usePaths();
  const { side, status, bestStreak, cleanChance, gate, unmet, subject, reviewDue, clearedBy, lastAt } = item;
  const heading = useId();
  return (
    <section className={classes.side} aria-labelledby={heading}>
      <h3 className={classes.sideName}>
        <span id={heading}>{side === "whole" ? "Record" : capital(`${side} side`)}</span>
        <span>
          <Term id={status}>{STATUS_NAMES[status]}</Term>
          {item.isStuck && ", stuck"}
        </span>
      </h3>
      <dl className={classes.figures}>
        <dt>Best in a row</dt>
        <dd>{bestStreak}</dd>
        <dt>
          <Term id="gate">Gate</Term>
        </dt>
        <dd>{gateWords(gate)}</dd>
        {(status === "working" || bestStreak > 0) && (
          <>
            <dt>Chance of a clean try</dt>
            <dd>{percentWords(cleanChance)}</dd>
          </>
        )}
        {clearedBy !== null && (
          <>
            <dt>Cleared</dt>
            <dd>{CLEARED_BY[clearedBy]}</dd>
          </>
        )}
        {lastAt !== null && (
          <>
            <dt>Last practised</dt>
            <dd>{dateWords(ownDay(lastAt))}</dd>
          </>
        )}
      </dl>
      {status === "locked" &&
        lockedWords(unmet).map((sentence) => (
          <Text key={sentence} className={classes.locked}>
            {sentence}
          </Text>
        ))}
      {status === "locked" && <Opening studentId={studentId} item={item} />}
      {item.isStuck && (
        <Text className={classes.locked}>
          Three lessons of honest tries moved neither the best nor the chance. A gentler drill comes first.
        </Text>
      )}
      {status === "rusty" && reviewDue !== null && (
        <Text className={classes.locked}>Review due since {dateWords(reviewDue)}.</Text>
      )}
      {status === "inferred" && (
        <Text className={classes.locked}>
          Taken as known: something that needs it is cleared, or placement holds it for likely.
        </Text>
      )}
      {next !== undefined ? (
        <NextCard studentId={studentId} next={next} />
      ) : (
        <Button
          component={Link}
          to={paths.floor(studentId, subject, side)}
          variant="default"
          fullWidth
          mt="xs"
        >
          {status === "cleared" || status === "rusty" ? "Run it again" : "Run it anyway"}
        </Button>
      )}
      <Ladder studentId={studentId} subject={subject} side={side} />
      <LastSets studentId={studentId} subject={subject} side={side} />
      <MissMap studentId={studentId} subject={subject} side={side} />
      {mayDecide && <DecideForm studentId={studentId} item={item} />}
    </section>
  );
}

interface SkillPanelProps {
  readonly studentId: string;
  readonly subject: string;
  readonly standing: SkillStanding | undefined;
  readonly next: readonly NextItem[];
  readonly onClose: () => void;
  readonly onHold: (subject: string) => void;
  readonly onPath: (goal: Goal) => void;
}

/** What the studio says of a skill by its settings: the cue of every choice that names it. */
function useSettingCues(studentId: string, subject: string): readonly string[] {
  const studio = useQuery(studioQuery);
  const detail = useQuery(detailQuery(studentId));
  const chosen = [detail.data?.settings ?? {}, studio.data?.settings ?? {}];
  return SETTINGS.flatMap((setting) => {
    const { cue } = optionOf(setting, ...chosen);
    return cue?.skills.includes(subject) === true ? [cue.say] : [];
  });
}

/** The bead in hand: names, record on each side, what it needs and what it opens. */
export function SkillPanel({ studentId, subject, standing, next, onClose, onHold, onPath }: SkillPanelProps) {
  const paths = usePaths();
  const skill = skillOf(catalogue(), subject);
  const mayDecide = useMayTeach();
  const cues = [...useSettingCues(studentId, subject), ...skill.cues];
  const isOpen = [...(standing?.values() ?? [])].some((item) => !isMet(item.status));
  const opens = catalogue().neededBy.get(subject) ?? [];
  const needs = [...new Set(skill.needs.flatMap((need) => need.anyOf.map((term) => term.skill)))];
  const links = (title: string, ids: readonly string[]) =>
    ids.length > 0 && (
      <section>
        <h3 className={classes.sideName}>{title}</h3>
        <Group gap={6}>
          {ids.map((id) => (
            <button key={id} type="button" className={classes.kin} onClick={() => onHold(id)}>
              {skillName(id)}
            </button>
          ))}
        </Group>
      </section>
    );
  return (
    <>
      <Group justify="space-between" wrap="nowrap" align="flex-start">
        <div>
          <Title order={2}>
            <Link to={paths.skill(subject)} className={classes.book}>
              {skill.name}
            </Link>
          </Title>
          <Text size="sm" className={classes.also}>
            {skill.aliases.length > 0 && `Also: ${listWords(skill.aliases)}. `}
            {skill.score !== null && <code className={classes.score}>{printScore(skill.score)}</code>}
            {catalogue().roles.baseTest?.parts.some((part) => part.subject === subject) === true && (
              <>
                {" A part of the "}
                <Link to={paths.baseTest(studentId)} className={classes.book}>
                  base test
                </Link>
                .
              </>
            )}
          </Text>
        </div>
        <CloseButton size="xl" aria-label="Let go of the bead" onClick={onClose} />
      </Group>
      {[...(standing?.values() ?? [])].map((item) => (
        <SideRecord
          key={item.side}
          studentId={studentId}
          item={item}
          next={next.find((one) => one.subject === subject && one.side === item.side)}
          mayDecide={mayDecide}
        />
      ))}
      {isOpen && (
        <Button
          variant="default"
          onClick={() => onPath({ subject, side: skill.twoSided ? "both" : "whole" })}
        >
          Show the way to it
        </Button>
      )}
      <section>
        <h3 className={classes.sideName}>Say</h3>
        <ul className={classes.cues}>
          {cues.map((cue) => (
            <li key={cue}>{cue}</li>
          ))}
        </ul>
      </section>
      {links("Needs", needs)}
      {links("Opens", opens)}
    </>
  );
}
