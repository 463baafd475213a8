import { localDate, sideScore, skillOf } from "@mirrup/core";
import { Button, Group, SegmentedControl, Skeleton, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useParams, useSearchParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { currentParams } from "../app/current-params.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { SheetButton } from "../app/sheet-button.js";
import { useNow } from "../app/use-now.js";
import { capital, dateWords, goalWords, skillName } from "../app/words.js";
import { SmallBraid } from "../braid/index.js";
import { TellingStill } from "../figure/index.js";
import { periodAsked, PeriodControl, progressQuery } from "../progress/index.js";
import { nextQuery, pathQuery, standingsQuery, studentQuery, studioQuery } from "../students/index.js";
import { combosQuery, comboStandingsQuery } from "../combos/index.js";
import { EventList, eventSheet } from "./event-list.js";
import { combosOf, formsOf, reportOf, type Report } from "./report.js";
import { SendReport } from "./send-report.js";
import {
  atHomeWords,
  careWords,
  goalsWords,
  learnedWords,
  nextWords,
  reportText,
  summaryWords,
  workingWords,
} from "./words.js";
import classes from "./report-page.module.css";

const MINUTE_MS = 60_000;
const KINDS = { home: "For home", event: "Forms learned" } as const;
/** Pictures of what is new; more would be a book. */
const MOST_PICTURES = 3;

/** A student's record in plain words, to be printed or handed on. */
export function ReportPage() {
  const { studentId = "" } = useParams();
  const [params, setParams] = useSearchParams();
  const kind = params.get("kind") === "event" ? "event" : "home";
  const student = useQuery(studentQuery(studentId));
  const studio = useQuery(studioQuery);
  const standings = useQuery(standingsQuery(studentId));
  const next = useQuery(nextQuery(studentId));
  const path = useQuery(pathQuery(studentId));
  const today = localDate(useNow(MINUTE_MS), studio.data?.timeZone ?? "UTC");
  const { weeks, ...period } = periodAsked(params, today);
  const view = useQuery({ ...progressQuery(studentId, period), enabled: studio.data !== undefined });
  const ask = (name: string, value: string) => {
    const asked = currentParams();
    asked.set(name, value);
    setParams(asked, { replace: true });
  };
  const combos = useQuery({ ...combosQuery, enabled: kind === "event" });
  const comboStandings = useQuery({ ...comboStandingsQuery(studentId), enabled: kind === "event" });
  const shown = combosOf(combos.data ?? [], comboStandings.data ?? []);
  const failed = [student, studio, standings, next, view].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    return (
      <Fault title="The report could not be made" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  const isRead =
    student.data !== undefined &&
    standings.data !== undefined &&
    next.data !== undefined &&
    view.data !== undefined;
  return (
    <div className={classes.page}>
      <Group className={classes.tools} gap="md">
        <SegmentedControl
          aria-label="For whom"
          value={kind}
          data={Object.entries(KINDS).map(([value, label]) => ({ value, label }))}
          onChange={(value) => ask("kind", value)}
        />
        {kind === "home" && <PeriodControl weeks={weeks} onChange={(value) => ask("weeks", value)} />}
        <Button size="md" onClick={() => window.print()}>
          Print
        </Button>
        {kind === "event" && standings.data !== undefined && (
          <SheetButton name="forms" make={() => eventSheet(formsOf(standings.data), shown)} size="md" />
        )}
      </Group>
      {!isRead ? (
        <Skeleton height={420} />
      ) : kind === "event" ? (
        <EventList name={student.data.name} today={today} forms={formsOf(standings.data)} combos={shown} />
      ) : (
        <Home
          studentId={studentId}
          name={student.data.name}
          period={period}
          goals={student.data.goals.map(goalWords)}
          report={reportOf(view.data, standings.data, next.data, path.data)}
        />
      )}
      <Text className={classes.foot}>
        {studio.data?.name}, {dateWords(today)}
      </Text>
    </div>
  );
}

/** A report for home, and its way there. */
function Home({ studentId, ...of }: ForHomeProps & { readonly studentId: string }) {
  const { name, report, period, goals } = of;
  return (
    <>
      <ForHome {...of} />
      <SendReport studentId={studentId} text={reportText(name, report, period, goals)} />
    </>
  );
}

interface ForHomeProps {
  readonly name: string;
  readonly period: { readonly from: string; readonly to: string };
  readonly goals: readonly string[];
  readonly report: Report;
}

/** What was learned, what comes next, how to help, and what to take care of. */
function ForHome({ name, period, goals, report }: ForHomeProps) {
  const { learned, working, next, atHome, left } = report;
  const pictures = [...learned].reverse().slice(0, MOST_PICTURES);
  return (
    <article className={classes.report}>
      <Title order={2}>{name}</Title>
      <Text className={classes.lead}>{summaryWords(name, report, period)}</Text>
      {pictures.length > 0 && (
        <div className={classes.pictures}>
          {pictures.map((one) => (
            <Picture key={one.subject} subject={one.subject} side={one.sides.at(-1) ?? "whole"} />
          ))}
        </div>
      )}
      {working.length > 0 && (
        <section>
          <Title order={3}>Being worked on</Title>
          <ul>
            {working.map((one) => (
              <li key={`${one.subject} ${one.side}`}>{workingWords(one)}</li>
            ))}
          </ul>
        </section>
      )}
      <section>
        <Title order={3}>What comes next</Title>
        {next.length === 0 && <Text>Nothing is open today.</Text>}
        <ul>
          {next.map((one) => (
            <li key={`${one.subject} ${one.side}`}>{nextWords(one)}</li>
          ))}
        </ul>
        {goals.length > 0 && <Text>{goalsWords(goals, left)}</Text>}
      </section>
      <section>
        <Title order={3}>How to help at home</Title>
        {atHome.length === 0 && (
          <Text>Nothing for home just now: what comes next begins in the lesson, where somebody looks.</Text>
        )}
        {atHome.map((one) => {
          const { what, say, look } = atHomeWords(one);
          return (
            <div key={`${one.subject} ${one.side}`} className={classes.drill}>
              <strong>{what}</strong>
              <span>Say: {say}</span>
              <span>Look at: {look}</span>
            </div>
          );
        })}
      </section>
      <section className={classes.care}>
        <Title order={3}>Take care</Title>
        <ul>
          {careWords(next).map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      </section>
    </article>
  );
}

/** A skill's picture: what the hands and feet do. */
function Picture({
  subject,
  side,
}: {
  readonly subject: string;
  readonly side: Parameters<typeof sideScore>[1];
}) {
  const skill = catalogue().skills.get(subject);
  const score = skill === undefined ? null : sideScore(skillOf(catalogue(), subject), side);
  if (score === null) return null;
  const name = learnedWords({ subject, sides: [side] });
  return (
    <figure>
      <div className={classes.shown}>
        <TellingStill score={score} />
        <SmallBraid score={score} label={`The hands and feet of ${name}`} tempo={60} />
      </div>
      <figcaption>{capital(skillName(subject))}</figcaption>
    </figure>
  );
}
