import type { GroupView, StudentView } from "@mirrup/contract";
import { Button, Group, NativeSelect, Text, TextInput, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { IconSearch } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { Link, useSearchParams } from "react-router";
import { ofCatalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { useSearchKey } from "../app/reach.js";
import { useMayTeach } from "../account/index.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { useStops } from "../device/index.js";
import { useSearchWords } from "../app/use-search-words.js";
import { drillOfWords } from "../app/drill-words.js";
import { capital, daysAgoWords, SCHOOL_NAMES, subjectName } from "../app/words.js";
import { ArchivedLines } from "./archived-lines.js";
import { ExportButton } from "./export-button.js";
import { sharingNames } from "./namesake.js";
import { NewStudent } from "./new-student.js";
import { withStop } from "./newcomers.js";
import { groupsQuery, studentsQuery, studioQuery } from "./queries.js";
import { ReadingStudents } from "./reading-students.js";
import { rosterOf, SHOWN, SORTS, type RosterFilter, type Shown, type Sort } from "./roster.js";
import classes from "./students-page.module.css";

const sidesInAll = ofCatalogue(({ skills }) =>
  [...skills.values()].reduce((sum, skill) => sum + (skill.twoSided ? 2 : 1), 0),
);
const levelsOf = ofCatalogue(({ skills }) =>
  [...new Set([...skills.values()].map(({ level }) => level))].sort((one, other) => one - other),
);

const SHOWN_WORDS: Readonly<Record<Shown, string>> = {
  all: "everybody",
  unseen: "not seen for two weeks",
  stuck: "stuck on a skill",
  review: "with a review due",
  archived: "archived",
};
const SORT_WORDS: Readonly<Record<Sort, string>> = {
  name: "name",
  level: "level, highest first",
  seen: "last seen, longest ago first",
  cleared: "cleared sides, most first",
};

/** Cleared, working, ready and locked sides of the whole catalogue as one bar. */
function ClearedBar({ counts }: Pick<StudentView, "counts">) {
  const share = (count: number) => `${(100 * count) / sidesInAll()}%`;
  return (
    <span className={classes.bar} aria-hidden>
      <span className={classes.cleared} style={{ width: share(counts.cleared) }} />
      <span className={classes.working} style={{ width: share(counts.working) }} />
      <span className={classes.ready} style={{ width: share(counts.ready) }} />
    </span>
  );
}

/** What of a student should not be overlooked. */
function notesOf({ stuck, reviewsDue, level, hasStopped }: StudentView, hasNamesake: boolean): string {
  const notes = [
    hasStopped && "stopped early today",
    hasNamesake && "somebody else has this name",
    level > 0 && `level ${level}`,
    reviewsDue > 0 && `${reviewsDue} due for review`,
    stuck > 0 && `stuck on ${stuck}`,
  ];
  return notes.filter(Boolean).join(", ");
}

interface LineProps {
  readonly student: StudentView;
  readonly hasNamesake: boolean;
  readonly now: number;
}

function StudentLine({ student: read, hasNamesake, now }: LineProps) {
  const paths = usePaths();
  const student = withStop(read, useStops()(read.id, read.hasStopped));
  const { id, name, counts, next, lastPractisedAt } = student;
  return (
    <li>
      <Link to={paths.student(id)} className={classes.line}>
        <span className={classes.who}>
          <span className={classes.name}>{name}</span>
          <span className={classes.notes}>{notesOf(student, hasNamesake)}</span>
        </span>
        <span className={classes.progress}>
          <ClearedBar counts={counts} />
          <span>
            {counts.cleared} cleared, {counts.working} working, {counts.ready} ready
          </span>
        </span>
        <span className={classes.next}>
          {next === null ? (
            student.hasStopped ? (
              "No drill today."
            ) : (
              "Everything here is cleared."
            )
          ) : (
            <>
              <strong>{capital(subjectName(next.subject, next.side))}</strong>
              <span>{drillOfWords(next.subject, next.side, next.drill)}</span>
            </>
          )}
        </span>
        <span className={classes.seen}>
          {lastPractisedAt === null ? "not on the floor yet" : daysAgoWords(lastPractisedAt, now)}
        </span>
      </Link>
    </li>
  );
}

/** The filter as the address keeps it. */
function useFilter() {
  const [params, setParams] = useSearchParams();
  const [words, setWords] = useSearchWords();
  const filter: RosterFilter = {
    words,
    group: params.get("group") ?? "",
    shown: SHOWN.find((one) => one === params.get("show")) ?? "all",
    level: Number(params.get("level") ?? 0),
    sort: SORTS.find((one) => one === params.get("sort")) ?? "name",
  };
  const set = (key: string, value: string) =>
    setParams(
      (before) => {
        const changed = new URLSearchParams(before);
        if (value === "" || value === "0") changed.delete(key);
        else changed.set(key, value);
        return changed;
      },
      { replace: true },
    );
  return { filter, setWords, set };
}

interface LinesProps {
  readonly students: readonly StudentView[];
  readonly filter: RosterFilter;
  readonly now: number;
}

function Lines({ students, filter, now }: LinesProps) {
  const paths = usePaths();
  const shown = rosterOf(students, filter, now);
  const shared = sharingNames(students);
  if (students.length === 0) {
    return (
      <Text className={classes.empty}>
        No students yet. Write a name above and add the first one, bring in a list from a file, or begin with{" "}
        <Link to={paths.start}>the first steps</Link>.
      </Text>
    );
  }
  if (shown.length === 0) {
    return (
      <Text className={classes.empty}>
        {filter.words === ""
          ? "Nobody fits this choice. Show everybody, or another group."
          : `No student here is called “${filter.words}”. Try fewer letters, or show everybody.`}
      </Text>
    );
  }
  return (
    <ul className={classes.lines}>
      {shown.map((student) => (
        <StudentLine key={student.id} student={student} hasNamesake={shared.has(student.id)} now={now} />
      ))}
    </ul>
  );
}

function groupOptions(groups: readonly GroupView[]) {
  const open = groups.filter((group) => !group.archived);
  return [{ value: "", label: "all groups" }, ...open.map(({ id, name }) => ({ value: id, label: name }))];
}

/** Whom do I teach, and what does each do next? */
export function StudentsPage() {
  const mayTeach = useMayTeach();
  useDocumentTitle("Students · Mirrup");
  const paths = usePaths();
  const search = useRef<HTMLInputElement>(null);
  useSearchKey(search);
  const students = useQuery(studentsQuery);
  const groups = useQuery(groupsQuery);
  const studio = useQuery(studioQuery);
  const { filter, setWords, set } = useFilter();
  const failure = failureOf(students);
  if (failure !== null) {
    return (
      <Fault title="The students could not be read" onRetry={() => void students.refetch()}>
        {failure.message} What was counted on this device is kept.
      </Fault>
    );
  }
  const present = students.data?.length;
  const isArchive = filter.shown === "archived";
  return (
    <div className={classes.page}>
      <header className={classes.header}>
        <div>
          <Title order={1}>{studio.data?.name ?? "Students"}</Title>
          <Text className={classes.sub}>
            {studio.data === undefined || present === undefined
              ? "Reading …"
              : `${counted(present, "student")}, school: ${SCHOOL_NAMES[studio.data.school]}`}
          </Text>
        </div>
        <Group gap="xs" align="flex-end">
          {mayTeach && (
            <>
              <NewStudent />
              <Button component={Link} to={paths.importing} variant="default" size="md">
                From a file
              </Button>
              <ExportButton />
            </>
          )}
        </Group>
      </header>
      <div className={classes.filters} role="search" aria-label="Which students are shown">
        <TextInput
          ref={search}
          label="Find a student"
          placeholder="Name, key /"
          leftSection={<IconSearch size={18} aria-hidden />}
          size="md"
          value={filter.words}
          onChange={(event) => setWords(event.currentTarget.value)}
        />
        <NativeSelect
          label="Group"
          size="md"
          data={groupOptions(groups.data ?? [])}
          value={filter.group}
          onChange={(event) => set("group", event.currentTarget.value)}
        />
        <NativeSelect
          label="Show"
          size="md"
          data={SHOWN.map((value) => ({ value, label: SHOWN_WORDS[value] }))}
          value={filter.shown}
          onChange={(event) => set("show", event.currentTarget.value)}
        />
        {!isArchive && (
          <>
            <NativeSelect
              label="Level"
              size="md"
              data={[
                { value: "0", label: "every level" },
                ...levelsOf().map((level) => ({ value: String(level), label: `level ${level}` })),
              ]}
              value={String(filter.level)}
              onChange={(event) => set("level", event.currentTarget.value)}
            />
            <NativeSelect
              label="Sort by"
              size="md"
              data={SORTS.map((value) => ({ value, label: SORT_WORDS[value] }))}
              value={filter.sort}
              onChange={(event) => set("sort", event.currentTarget.value)}
            />
          </>
        )}
      </div>
      {isArchive ? (
        <ArchivedLines filter={filter} />
      ) : (
        <>
          <div className={classes.heads} aria-hidden>
            <span>Student</span>
            <span>Skill sides</span>
            <span>Next</span>
            <span>Last on the floor</span>
          </div>
          {students.data === undefined ? (
            <ReadingStudents />
          ) : (
            <Lines students={students.data} filter={filter} now={students.dataUpdatedAt} />
          )}
        </>
      )}
    </div>
  );
}
