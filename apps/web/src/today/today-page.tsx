import type { GroupView, LessonView, NewLesson, StudentView } from "@mirrup/contract";
import { dayAfter, localDate } from "@mirrup/core";
import { Button, Group, Select, Skeleton, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { v7 as uuid } from "uuid";
import { counted } from "../app/plural.js";
import { useMayTeach } from "../account/index.js";
import { Bead, beadOfCodes } from "../beads/index.js";
import { useNow } from "../app/use-now.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { drillOfWords, oddsWords } from "../app/drill-words.js";
import { capital, daysWords, subjectName } from "../app/words.js";
import { familyOf } from "../app/family.js";
import { floorAddress } from "../app/drill-address.js";
import { AttendanceList, lessonsQuery, useLesson } from "../lesson/index.js";
import { groupsQuery, studioQuery, useStudents } from "../students/index.js";
import { PractisedAtHomeNote } from "../home-practice/index.js";
import { FirstStepsLink } from "../start/index.js";
import { CalendarTools } from "./calendar-tools.js";
import { asTheyMeet, lessonOfGroup, meetingsOn, type Meeting } from "./day.js";
import { useAddLessons } from "./use-add-lessons.js";
import { RulesChanges } from "./rules-changes.js";
import classes from "./today-page.module.css";

const DAYS_AHEAD = 7;
/** The page lies open over midnight. */
const TICK_MS = 60_000;

/** Who is here, and what does each do next? */
export function TodayPage() {
  const studio = useQuery(studioQuery);
  const groups = useQuery(groupsQuery);
  const students = useStudents();
  const now = useNow(TICK_MS);
  const today = localDate(now, studio.data?.timeZone ?? "UTC");
  const lessons = useQuery({
    ...lessonsQuery(today, dayAfter(today, DAYS_AHEAD)),
    enabled: studio.data !== undefined,
  });
  const mayTeach = useMayTeach();
  useDocumentTitle("Today · Mirrup");
  const failed = [studio, groups, students, lessons].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    return (
      <Fault title="Today could not be read" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  const { data: all } = students;
  if (groups.data === undefined || lessons.data === undefined || all === undefined) {
    return <Skeleton height={480} m="lg" />;
  }
  const meeting = asTheyMeet(groups.data, all);
  const meetings = meetingsOn(today, meeting, lessons.data);
  const ahead = Array.from({ length: DAYS_AHEAD }, (_, day) => dayAfter(today, day + 1)).flatMap((day) =>
    meetingsOn(day, meeting, lessons.data),
  );
  return (
    <div className={classes.page}>
      <header>
        <Text className={classes.quiet}>{studio.data?.name}</Text>
        <Title order={1}>{capital(daysWords(today))}</Title>
      </header>
      <FirstStepsLink />
      <RulesChanges />
      <PractisedAtHomeNote />
      {meetings.length === 0 && (
        <Text>No group meets today. The next ones are below; a class can also be held out of turn.</Text>
      )}
      {meetings.map((meeting) => (
        <section key={meeting.lesson.id} className={classes.meeting} aria-label={meeting.lesson.title}>
          {meeting.kind === "lesson" ? (
            <HeldClass lesson={meeting.lesson} students={all} mayTeach={mayTeach} />
          ) : (
            <ClassToCome lesson={meeting.lesson} students={all} mayTeach={mayTeach} />
          )}
        </section>
      ))}
      {mayTeach && <OutOfTurn today={today} groups={meeting} students={all} />}
      <Coming meetings={ahead} mayTeach={mayTeach} />
      <CalendarTools today={today} students={all} mayTeach={mayTeach} />
    </div>
  );
}

interface ClassProps<T> {
  readonly lesson: T;
  readonly students: readonly StudentView[];
  readonly mayTeach: boolean;
}

function stateWords({ plan, progress, finishedAt }: LessonView): string {
  if (finishedAt !== null) return "Held.";
  if (plan === null) return "Not planned yet.";
  const turns = plan.rotations.length;
  const made = `${counted(turns, "turn")} at ${counted(Math.max(0, ...plan.rotations.map((one) => one.stations.length)), "station")}`;
  if (progress === null) return `Planned: ${made}.`;
  return `Under way: step ${progress.step + 1} of ${turns + 2}.`;
}

function Heading({ lesson, state }: { readonly lesson: NewLesson; readonly state: string }) {
  return (
    <div className={classes.heading}>
      <span className={classes.hour}>{lesson.startTime ?? "–"}</span>
      <div>
        <Title order={2}>{lesson.title}</Title>
        <Text className={classes.quiet}>
          {[`${lesson.minutes} minutes`, lesson.place].filter(Boolean).join(", ")}. {state}
        </Text>
      </div>
    </div>
  );
}

function HeldClass({ lesson: listed, students, mayTeach }: ClassProps<LessonView>) {
  const paths = usePaths();
  const held = useLesson(listed.id);
  const lesson = held.lesson ?? listed;
  return (
    <>
      <header className={classes.header}>
        <Heading lesson={lesson} state={stateWords(lesson)} />
        <Group gap="xs">
          <Button component={Link} to={paths.lessonPlan(lesson.id)} variant="default" size="md">
            {lesson.plan === null ? "Plan the class" : "The plan"}
          </Button>
          <Button component={Link} to={paths.lesson(lesson.id)} size="md" disabled={!mayTeach}>
            {lesson.finishedAt !== null
              ? "Planned and done"
              : lesson.progress === null
                ? "Start the lesson"
                : "Go on"}
          </Button>
        </Group>
      </header>
      {mayTeach ? (
        <AttendanceList
          lesson={lesson}
          students={students}
          onMark={(id, attendance) => held.run({ attendance: { [id]: attendance } })}
          onAdd={held.add}
          bead={(student) => <NextBead student={student} />}
          minds={(student) => <Minds student={student} />}
          about={(student) => <About student={student} />}
        />
      ) : (
        <Text>{counted(lesson.students.length, "student is", "students are")} expected.</Text>
      )}
    </>
  );
}

/** A group's meeting that nobody has opened yet: the first tap, or planning it, makes it a lesson. */
function ClassToCome({ lesson, students, mayTeach }: ClassProps<NewLesson>) {
  const paths = usePaths();
  const { add, addAndOpen, isPending } = useAddLessons();
  const { students: expected = [] } = lesson;
  return (
    <>
      <header className={classes.header}>
        <Heading lesson={lesson} state="Not planned yet." />
        {mayTeach && (
          <Button
            size="md"
            loading={isPending}
            onClick={() => void addAndOpen(lesson, paths.lessonPlan(lesson.id))}
          >
            Plan the class
          </Button>
        )}
      </header>
      {mayTeach && (
        <AttendanceList
          lesson={{ students: expected }}
          students={students}
          onMark={(id, attendance) => {
            const others = expected.filter((one) => one.studentId !== id);
            void add([{ ...lesson, students: [...others, { studentId: id, attendance, places: [] }] }]);
          }}
          bead={(student) => <NextBead student={student} />}
          minds={(student) => <Minds student={student} />}
          about={(student) => <About student={student} />}
        />
      )}
    </>
  );
}

/** Where what comes next stands on its way to the gate. */
function NextBead({ student: { next, nextCodes } }: { readonly student: StudentView }) {
  const state = next === null ? null : beadOfCodes(next.subject, nextCodes);
  return state === null || next === null ? null : (
    <Bead state={state} family={familyOf(next.subject)} size={44} />
  );
}

/** What a student does next, and how likely it is to pass. */
function About({ student }: { readonly student: StudentView }) {
  const paths = usePaths();
  const { id, next } = student;
  return (
    <span className={classes.about}>
      {next !== null && (
        <Link to={`${paths.floor(id, next.subject, next.side)}${floorAddress(next.drill)}`}>
          {subjectName(next.subject, next.side)}: {drillOfWords(next.subject, next.side, next.drill)}
          <span className={classes.odds}> {oddsWords(next.chance)}</span>
        </Link>
      )}
    </span>
  );
}

/** What an instructor has to have in mind of somebody. */
function Minds({ student: { reviewsDue, stuck } }: { readonly student: StudentView }) {
  const minds = [
    reviewsDue > 0 ? `${counted(reviewsDue, "review")} due` : "",
    stuck > 0 ? `stuck on ${stuck}` : "",
  ].filter(Boolean);
  return minds.length === 0 ? null : <span className={classes.minds}>{minds.join(", ")}</span>;
}

/** A class that does not meet today by the week: a group's, or everybody's. */
function OutOfTurn({
  today,
  groups,
  students,
}: {
  readonly today: string;
  readonly groups: readonly GroupView[];
  readonly students: readonly StudentView[];
}) {
  const paths = usePaths();
  const { addAndOpen, isPending } = useAddLessons();
  const known = groups.filter((group) => !group.archived);
  const hold = (value: string | null) => {
    const group = known.find((one) => one.id === value);
    if (value === null) return;
    const lesson =
      group === undefined
        ? {
            ...{ id: uuid(), title: "Everybody", day: today, minutes: 60 },
            students: students.map(({ id }) => ({
              studentId: id,
              attendance: "expected" as const,
              places: [],
            })),
          }
        : { ...lessonOfGroup(group, today), id: uuid() };
    void addAndOpen(lesson, paths.lessonPlan(lesson.id));
  };
  return (
    <Select
      label="Plan a class out of turn, for today"
      className={classes.pick}
      size="md"
      placeholder="Which group"
      disabled={isPending}
      value={null}
      data={[
        ...known.map((group) => ({ value: group.id, label: group.name })),
        { value: "everybody", label: `Everybody (${students.length})` },
      ]}
      onChange={hold}
    />
  );
}

/** The week ahead: what meets when, and whether it is planned. */
function Coming({
  meetings,
  mayTeach,
}: {
  readonly meetings: readonly Meeting[];
  readonly mayTeach: boolean;
}) {
  const paths = usePaths();
  const { addAndOpen, isPending } = useAddLessons();
  return (
    <section>
      <Title order={2} className={classes.coming}>
        The next seven days
      </Title>
      {meetings.length === 0 && <Text>Nothing is set. Give a group its day on the Class screen.</Text>}
      <ul className={classes.week}>
        {meetings.map(({ kind, lesson }) => (
          <li key={lesson.id}>
            <span className={classes.when}>
              {capital(daysWords(lesson.day))}, {lesson.startTime ?? "no hour"}
            </span>
            <strong>{lesson.title}</strong>
            <span className={classes.quiet}>
              {kind === "lesson" ? stateWords(lesson) : "Not planned yet."}
            </span>
            {kind === "lesson" ? (
              <Link to={paths.lessonPlan(lesson.id)}>{lesson.plan === null ? "Plan it" : "The plan"}</Link>
            ) : (
              mayTeach && (
                <Button
                  variant="subtle"
                  size="compact-md"
                  loading={isPending}
                  onClick={() => void addAndOpen(lesson, paths.lessonPlan(lesson.id))}
                >
                  Plan it
                </Button>
              )
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
