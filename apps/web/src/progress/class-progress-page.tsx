import { Button, Group, Skeleton, Table, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { ownDay } from "../app/own-day.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { counted } from "../app/plural.js";
import { SheetButton } from "../app/sheet-button.js";
import { capital, dateWords, percentWords, subjectName, wholeWords } from "../app/words.js";
import { Answer } from "./answer.js";
import {
  attendanceWords,
  classSheet,
  concernsOf,
  holdUpsOf,
  oddsRows,
  refitWords,
  type LookAt,
  type OddsRow,
} from "./class-words.js";
import { PeriodControl } from "./period-control.js";
import { refitQuery } from "./queries.js";
import { drawnFirst } from "./question.js";
import {
  clearedQuestion,
  faultsQuestion,
  landingsQuestion,
  saidQuestion,
  triesQuestion,
} from "./questions.js";
import type { ClassProgressView, StudentProgress } from "@mirrup/contract";
import classes from "./progress-page.module.css";
import { useClassProgress } from "./use-class-progress.js";

/** Named at once; the rest a tap further. */
const MOST_NAMED = 5;
/** Of what holds somebody up: the first tell what to teach. */
const MOST_HELD = 6;

/** How far a class has come in some weeks, and who of it needs looking at. */
export function ClassProgressPage() {
  const paths = usePaths();
  const {
    groupId,
    groupName: name = "Everybody",
    studio,
    view,
    weeks,
    period,
    askWeeks,
  } = useClassProgress();
  useDocumentTitle(`Progress of ${name.toLowerCase()} · Mirrup`);
  const failure = failureOf(studio) ?? failureOf(view);
  if (failure !== null) {
    return (
      <Fault
        title="The progress could not be read"
        onRetry={() => void Promise.all([studio.refetch(), view.refetch()])}
      >
        {failure.message}
      </Fault>
    );
  }
  return (
    <section className={classes.page}>
      <header>
        <Link to={paths.class(groupId)}>Back to the class</Link>
        <Title order={1}>{name}: progress</Title>
        <Text>
          {dateWords(period.from)} to {dateWords(period.to)}
        </Text>
      </header>
      <Group gap="md" className={classes.tools}>
        <PeriodControl weeks={weeks} onChange={askWeeks} />
        <Button variant="default" size="md" onClick={() => window.print()}>
          Print
        </Button>
        <Button component={Link} to={paths.season(groupId)} variant="default" size="md">
          The season in words
        </Button>
      </Group>
      {view.data === undefined ? (
        <Skeleton height={480} />
      ) : view.data.students.length === 0 ? (
        <Text>Nobody is in this group yet.</Text>
      ) : (
        <Shown view={view.data} />
      )}
    </section>
  );
}

function Shown({ view }: { readonly view: ClassProgressView }) {
  const { students } = view;
  const questions = drawnFirst([
    clearedQuestion(view),
    triesQuestion(view),
    landingsQuestion(view),
    faultsQuestion(view, "class"),
    saidQuestion(view),
  ]);
  return (
    <>
      <div className={classes.concerns}>
        {concernsOf(students).map(({ title, none, students: whom }) => (
          <section key={title} aria-label={title}>
            <h2>
              {title}
              {whom.length > 0 && `: ${whom.length}`}
            </h2>
            {whom.length === 0 && <Text className={classes.quiet}>{none}</Text>}
            <Lines whom={whom.slice(0, MOST_NAMED)} />
            {whom.length > MOST_NAMED && (
              <details>
                <summary>{whom.length - MOST_NAMED} more</summary>
                <Lines whom={whom.slice(MOST_NAMED)} />
              </details>
            )}
          </section>
        ))}
        <HoldUps students={students} />
      </div>
      <div className={classes.answers}>
        {questions.map((one) => (
          <Answer key={one.id} question={one} />
        ))}
      </div>
      <Everybody view={view} />
      <HowHonest view={view} />
    </>
  );
}

function Lines({ whom }: { readonly whom: readonly LookAt[] }) {
  return (
    <ul>
      {whom.map(({ student, why }) => (
        <li key={student.studentId}>
          <StudentLink student={student} />: {why}
        </li>
      ))}
    </ul>
  );
}

function StudentLink({ student }: { readonly student: StudentProgress }) {
  const paths = usePaths();
  return <Link to={paths.studentPage(student.studentId, "progress")}>{student.name}</Link>;
}

/** What comes first on the way of most: to teach it opens the most. */
function HoldUps({ students }: { readonly students: readonly StudentProgress[] }) {
  const holdUps = holdUpsOf(students);
  return (
    <section aria-label="What holds them up">
      <h2>What holds them up</h2>
      {holdUps.length === 0 && <Text className={classes.quiet}>Nobody has a goal that is still ahead.</Text>}
      <ul>
        {holdUps.slice(0, MOST_HELD).map(({ subject, side, students: whom }) => (
          <li key={`${subject} ${side}`}>
            <details>
              <summary>
                {capital(subjectName(subject, side))}: {counted(whom.length, "student")}
              </summary>
              {whom.map((student) => (
                <span key={student.studentId} className={classes.name}>
                  <StudentLink student={student} />
                </span>
              ))}
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Everybody's numbers, to be looked through and taken elsewhere. */
function Everybody({ view }: { readonly view: ClassProgressView }) {
  const { students } = view;
  return (
    <section className={classes.missed} aria-labelledby="everybody">
      <h2 id="everybody">Everybody</h2>
      <Text>{attendanceWords(students)}</Text>
      <Table.ScrollContainer minWidth={720}>
        <Table>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Student</Table.Th>
              <Table.Th>Last practised</Table.Th>
              <Table.Th ta="right">Lessons come to</Table.Th>
              <Table.Th ta="right">Tries</Table.Th>
              <Table.Th ta="right">Clean</Table.Th>
              <Table.Th ta="right">Landings</Table.Th>
              <Table.Th ta="right">Cleared</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {students.map((one) => (
              <Table.Tr key={one.studentId}>
                <Table.Th scope="row">
                  <StudentLink student={one} />
                </Table.Th>
                <Table.Td>{one.lastAt === null ? "never" : dateWords(ownDay(one.lastAt))}</Table.Td>
                <Table.Td ta="right">
                  {one.came + one.missing === 0 ? "" : `${one.came} of ${one.came + one.missing}`}
                </Table.Td>
                <Table.Td ta="right">{wholeWords(one.clean + one.missed)}</Table.Td>
                <Table.Td ta="right">
                  {one.clean + one.missed === 0 ? "" : percentWords(one.clean / (one.clean + one.missed))}
                </Table.Td>
                <Table.Td ta="right">{wholeWords(one.landings)}</Table.Td>
                <Table.Td ta="right">{one.cleared.length}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
      <SheetButton
        name="class"
        of="everybody"
        make={() => classSheet(view)}
        variant="subtle"
        px={6}
        className={classes.tools}
      />
    </section>
  );
}

/** Whether what was said came, by class of skill and kind of drill, and what was learned from it. */
function HowHonest({ view }: { readonly view: ClassProgressView }) {
  const refit = useQuery(refitQuery);
  const { classes: byClass, kinds } = oddsRows(view.days);
  return (
    <section className={classes.missed} aria-labelledby="honest">
      <h2 id="honest">How honest the odds were</h2>
      {refit.data !== undefined && <Text>{refitWords(refit.data)}</Text>}
      {byClass.length + kinds.length === 0 ? (
        <Text className={classes.quiet}>Too few sets were begun from what was proposed to tell.</Text>
      ) : (
        <div className={classes.answers}>
          <OddsTable title="By class of skill" rows={byClass} />
          <OddsTable title="By kind of drill" rows={kinds} />
        </div>
      )}
    </section>
  );
}

function OddsTable({ title, rows }: { readonly title: string; readonly rows: readonly OddsRow[] }) {
  return (
    <Table aria-label={title}>
      <Table.Thead>
        <Table.Tr>
          <Table.Th>{title}</Table.Th>
          <Table.Th ta="right">Sets</Table.Th>
          <Table.Th ta="right">Said</Table.Th>
          <Table.Th ta="right">Came</Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {rows.map(({ name, sets, said, came }) => (
          <Table.Tr key={name}>
            <Table.Th scope="row">{name}</Table.Th>
            <Table.Td ta="right">{wholeWords(sets)}</Table.Td>
            <Table.Td ta="right">{percentWords(said / sets)}</Table.Td>
            <Table.Td ta="right">{percentWords(came / sets)}</Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}
