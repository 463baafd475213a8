import type { GroupView, StudentView } from "@mirrup/contract";
import { Anchor, Button, Skeleton, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { IconCircle, IconCircleCheckFilled } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { Suspense, useState, type ReactNode } from "react";
import { Link, Navigate } from "react-router";
import { counted, pluralOf } from "../app/plural.js";
import { useMayTeach, useMembership } from "../account/index.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { listWords, meetingWords } from "../app/words.js";
import { LazyGroupForm } from "../class/index.js";
import { groupsQuery, studentsQuery, studioQuery } from "../students/index.js";
import { doneOf, FIRST_STEPS, firstToPlace, nextStep, type FirstStep } from "./first-steps.js";
import { NamesForm } from "./names-form.js";
import { SchoolChoice } from "./school-choice.js";
import classes from "./start-page.module.css";

const TITLES: Readonly<Record<FirstStep, string>> = {
  teaching: "How you teach",
  students: "Your students",
  group: "A group and its hour",
  placement: "Where the first one stands",
  lesson: "The first lesson",
};

interface StepProps {
  readonly step: FirstStep;
  readonly isDone: boolean;
  readonly isNext: boolean;
  readonly children: ReactNode;
}

function Step({ step, isDone, isNext, children }: StepProps) {
  const Mark = isDone ? IconCircleCheckFilled : IconCircle;
  return (
    <li className={classes.step} data-next={isNext || undefined} aria-current={isNext ? "step" : undefined}>
      <Mark size={28} stroke={1.6} className={classes.mark} aria-hidden />
      <section aria-labelledby={`step-${step}`}>
        <Title order={2} id={`step-${step}`}>
          {TITLES[step]}
          <span className={classes.state}>{isDone ? "done" : isNext ? "next" : "later"}</span>
        </Title>
        {children}
      </section>
    </li>
  );
}

interface PeopleProps {
  /** Whether this is what comes next: its button leads, all others are quiet. */
  readonly isNext: boolean;
  readonly students: readonly StudentView[];
  readonly groups: readonly GroupView[];
}

const variantOf = (isNext: boolean) => (isNext ? "filled" : "default");

function Students({ students, isNext }: PeopleProps) {
  const paths = usePaths();
  const { length } = students;
  return (
    <>
      {length > 0 && (
        <Text>
          {counted(length, "student")} {pluralOf(length, "is", "are")} here.{" "}
          <Link to={paths.students}>All students</Link>
        </Text>
      )}
      <NamesForm known={students.map(({ name }) => name)} leads={isNext} />
      <Text size="sm" className={classes.quiet}>
        Birth years, heights and ropes can wait; each student’s record has room for them. Do you have a table?{" "}
        <Link to={paths.importing}>Bring the students in from a file</Link>.
      </Text>
    </>
  );
}

function Groups({ students, groups, isNext }: PeopleProps) {
  const paths = usePaths();
  const [isAsking, setAsking] = useState(false);
  return (
    <>
      {groups.map((group) => (
        <Text key={group.id}>
          <Link to={paths.class(group.id)}>{group.name}</Link>, {meetingWords(group)},{" "}
          {counted(group.members.length, "student")}.
        </Text>
      ))}
      {groups.length === 0 && (
        <Text>
          Whoever comes at the same hour is a group. Today then has its lesson ready each week, with everybody
          who is expected.
        </Text>
      )}
      {isAsking ? (
        <Suspense fallback={<Skeleton height={320} />}>
          <LazyGroupForm
            group={null}
            members={groups.length === 0 ? students.map(({ id }) => id) : []}
            onDone={() => setAsking(false)}
            onLeave={() => setAsking(false)}
          />
        </Suspense>
      ) : (
        <Button variant={variantOf(isNext)} size="md" onClick={() => setAsking(true)}>
          {groups.length === 0 ? "Make a group" : "Make another group"}
        </Button>
      )}
    </>
  );
}

function Placement({ students, isNext }: PeopleProps) {
  const paths = usePaths();
  const first = firstToPlace(students);
  return (
    <>
      <Text>
        A dozen short tries in the hall, chosen one after the other, say where somebody stands in the whole
        tree. What you know already can be ticked instead, on the Class page’s skill sheet.
      </Text>
      {first !== undefined && (
        <Button
          component={Link}
          to={paths.studentPage(first.id, "placement")}
          size="md"
          variant={variantOf(isNext)}
        >
          Place {first.name}
        </Button>
      )}
    </>
  );
}

function Lesson({ students, groups, isNext }: PeopleProps) {
  const paths = usePaths();
  const first = students[0];
  return (
    <>
      <Text>
        Mirrup plans it by what each one can do; you change what you like, and count in the hall. The first
        side that meets its gate is cleared.
      </Text>
      <div className={classes.ways}>
        {groups.length > 0 && (
          <Button component={Link} to={paths.today} size="md" variant={variantOf(isNext)}>
            Plan a class on Today
          </Button>
        )}
        {first !== undefined && (
          <Button component={Link} to={paths.studentPage(first.id, "session")} size="md" variant="default">
            Plan a session for {first.name} alone
          </Button>
        )}
      </div>
    </>
  );
}

/** What a new studio does first, in an order that makes sense; each step can be left, skipped and found again. */
export function StartPage() {
  const paths = usePaths();
  const membership = useMembership();
  const mayTeach = useMayTeach();
  useDocumentTitle("First steps · Mirrup");
  const studio = useQuery(studioQuery);
  const students = useQuery(studentsQuery);
  const groups = useQuery(groupsQuery);
  const failed = [studio, students, groups].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    return (
      <Fault title="The first steps could not be read" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  if (studio.data === undefined || students.data === undefined || groups.data === undefined) {
    return <Skeleton height={480} m="lg" />;
  }
  if (!mayTeach) return <Navigate to={paths.today} replace />;
  const begun = { students: students.data, groups: groups.data };
  const people = {
    students: students.data,
    groups: groups.data.filter(({ archived }) => !archived),
  };
  const done = doneOf(begun);
  const next = nextStep(begun);
  const bodies: Readonly<Record<FirstStep, ReactNode>> = {
    teaching: <SchoolChoice studio={studio.data} mayChoose={membership?.role === "owner"} />,
    students: <Students {...people} isNext={next === "students"} />,
    group: <Groups {...people} isNext={next === "group"} />,
    placement: <Placement {...people} isNext={next === "placement"} />,
    lesson: <Lesson {...people} isNext={next === "lesson"} />,
  };
  const open = FIRST_STEPS.filter((step) => !done.has(step)).map((step) => TITLES[step].toLowerCase());
  return (
    <div className={classes.page}>
      <header>
        <Title order={1}>First steps at {studio.data.name}</Title>
        <Text className={classes.quiet}>
          {open.length === 0
            ? "All of it is done. From here on, begin at Today."
            : `Still to do: ${listWords(open)}. In any order; this page is found again on Today and under Studio.`}
        </Text>
        <Anchor component={Link} to={paths.today} c="inherit">
          {open.length === 0 ? "Today" : "Leave this for later"}
        </Anchor>
      </header>
      <ol className={classes.steps}>
        {FIRST_STEPS.map((step) => (
          <Step key={step} step={step} isDone={done.has(step)} isNext={step === next}>
            {bodies[step]}
          </Step>
        ))}
      </ol>
    </div>
  );
}
