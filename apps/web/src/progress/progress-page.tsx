import { localDate, missCount, sideScore, sidesOf, skillOf, type SideName } from "@mirrup/core";
import { missMap } from "@mirrup/core/teaching";
import { Button, Group, Select, Skeleton, Text } from "@mantine/core";
import { useQueries, useQuery } from "@tanstack/react-query";
import { useParams, useSearchParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { currentParams } from "../app/current-params.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { useNow } from "../app/use-now.js";
import { byAnyName, skillOptions } from "../app/skill-options.js";
import { capital, dateWords, missMapWords, subjectName } from "../app/words.js";
import { MissPicture, pathQuery, standingsQuery, studentQuery, studioQuery } from "../students/index.js";
import { Answer } from "./answer.js";
import { movedWords } from "./goal-words.js";
import { PeriodControl } from "./period-control.js";
import { nextTo, periodAsked } from "./period.js";
import { drawnFirst } from "./question.js";
import { progressQuery, sideProgressQuery } from "./queries.js";
import { questionsOf, skillQuestions, type Courses } from "./questions.js";
import classes from "./progress-page.module.css";

const MINUTE_MS = 60_000;

/** How far a student has come in some weeks: questions, each with its answer in words, as a chart and as a table. */
export function ProgressPage() {
  const { studentId = "" } = useParams();
  const [params, setParams] = useSearchParams();
  const studio = useQuery(studioQuery);
  const now = useNow(MINUTE_MS);
  const today = localDate(now, studio.data?.timeZone ?? "UTC");
  const { weeks, ...period } = periodAsked(params, today);
  const subject = params.get("skill");
  const view = useQuery({ ...progressQuery(studentId, period), enabled: studio.data !== undefined });
  const standings = useQuery(standingsQuery(studentId));
  const student = useQuery(studentQuery(studentId));
  const path = useQuery(pathQuery(studentId));
  const moved =
    student.data === undefined || path.data === undefined || view.data === undefined || period.to < today
      ? null
      : movedWords(student.data.goals, path.data, view.data.cleared, today);
  const ask = (changes: Readonly<Record<string, string | null>>) => {
    const asked = currentParams();
    for (const [name, value] of Object.entries(changes)) {
      if (value === null) asked.delete(name);
      else asked.set(name, value);
    }
    setParams(asked, { replace: true });
  };
  const failure = failureOf(view);
  if (failure !== null) {
    return (
      <Fault title="The progress could not be read" onRetry={() => void view.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  return (
    <section className={classes.page}>
      <Group align="flex-end" gap="md" className={classes.tools}>
        <PeriodControl weeks={weeks} onChange={(value) => ask({ weeks: value })} />
        <Select
          label="Of"
          placeholder="all that they do"
          size="md"
          searchable
          clearable
          filter={byAnyName}
          limit={40}
          clearButtonProps={{ "aria-label": "Of all that they do" }}
          data={skillOptions()}
          value={subject}
          nothingFoundMessage="No skill has this name."
          onChange={(value) => ask({ skill: value })}
        />
        <Button variant="default" size="md" onClick={() => window.print()}>
          Print
        </Button>
      </Group>
      <Group gap="xs">
        <Button
          variant="subtle"
          px={6}
          className={classes.tools}
          onClick={() => ask({ until: nextTo(period, weeks, "earlier", today) })}
        >
          Earlier
        </Button>
        <Text component="h2" className={classes.period}>
          {dateWords(period.from)} to {period.to === today ? "today" : dateWords(period.to)}
        </Text>
        {period.to < today && (
          <Button
            variant="subtle"
            px={6}
            className={classes.tools}
            onClick={() => ask({ until: nextTo(period, weeks, "later", today) })}
          >
            Later
          </Button>
        )}
      </Group>
      {subject === null && moved !== null && <Text>{moved}</Text>}
      {view.data === undefined || standings.data === undefined ? (
        <Skeleton height={420} />
      ) : view.data.days.length === 0 && view.data.cleared.length === 0 ? (
        <Text>
          Nothing was counted in this time. Look at an earlier one, or a longer one; the first set stands here
          as soon as it is.
        </Text>
      ) : (
        <div className={classes.answers}>
          {subject === null ? (
            drawnFirst(questionsOf(view.data, standings.data)).map((one) => (
              <Answer key={one.id} question={one} />
            ))
          ) : (
            <OfSkill studentId={studentId} subject={subject} view={view.data} />
          )}
        </div>
      )}
    </section>
  );
}

interface OfSkillProps {
  readonly studentId: string;
  readonly subject: string;
  readonly view: Parameters<typeof skillQuestions>[0];
}

/** What a student's record says of one skill. */
function OfSkill({ studentId, subject, view }: OfSkillProps) {
  const skill = catalogue().skills.get(subject);
  const sides = skill === undefined ? [] : sidesOf(skill);
  const read = useQueries({ queries: sides.map((side) => sideProgressQuery(studentId, subject, side)) });
  if (skill === undefined) return <Text>This skill is not taught here any more.</Text>;
  const failure = read.map(failureOf).find((one) => one !== null) ?? null;
  if (failure !== null) {
    return (
      <Fault
        title="This skill’s course could not be read"
        onRetry={() => read.forEach((one) => void one.refetch())}
      >
        {failure.message}
      </Fault>
    );
  }
  const courses: Courses = sides.flatMap((side, place) => {
    const course = read[place]?.data;
    return course === undefined ? [] : [[side, course] as const];
  });
  if (courses.length < sides.length) return <Skeleton height={420} />;
  return (
    <>
      {drawnFirst(skillQuestions(view, subject, courses)).map((one) => (
        <Answer key={one.id} question={one} />
      ))}
      {courses.map(([side, { misses }]) => (
        <WhereMissed key={side} studentId={studentId} subject={subject} side={side} misses={misses} />
      ))}
    </>
  );
}

interface WhereMissedProps {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
  readonly misses: Parameters<typeof missMap>[1];
}

/** Where in the repetition the last sets missed, on the braid; nothing where nobody noted it. */
function WhereMissed({ studentId, subject, side, misses }: WhereMissedProps) {
  const score = sideScore(skillOf(catalogue(), subject), side);
  if (score === null || misses.length === 0) return null;
  const map = missMap(score, misses);
  if (map.turns.length < 2 || map.turns.every((turn) => turn.misses === 0)) return null;
  return (
    <section className={classes.missed}>
      <h2>Where it missed: {subjectName(subject, side)}</h2>
      <Text>{capital(missMapWords(map, missCount(misses)))}</Text>
      <MissPicture studentId={studentId} subject={subject} side={side} map={map} />
    </section>
  );
}
