import type { ClassWeeksView } from "@mirrup/contract";
import { byName } from "@mirrup/core";
import { Group, MultiSelect, Skeleton, Table, Text, Title, type OptionsFilter } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { catalogue, ofCatalogue, programmes } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { isProblem } from "../app/api.js";
import { oddsWords } from "../app/drill-words.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { Gives } from "../app/gives.js";
import { usePaths } from "../app/paths.js";
import { WeeksFields } from "../app/weeks-fields.js";
import shared from "../app/weeks.module.css";
import { capital, daysWords } from "../app/words.js";
import { classWeeksQuery, groupsQuery } from "../students/index.js";
import { addressOfClassWeeks, classWeeksAskedFrom, type ClassWeeksAsked } from "./class-weeks-asked.js";
import { classGiveWords, OUTLOOK_NAMES, readyWords, workWords } from "./class-weeks-words.js";
import classes from "./class-weeks-page.module.css";

const skillOptions = ofCatalogue(({ skills }) =>
  [...skills.values()].map(({ id, name }) => ({ value: id, label: capital(name) })),
);

const options = () => [
  ...[...programmes()].flatMap(([value, { name, isEnded = false }]) =>
    isEnded ? [] : [{ value, label: name }],
  ),
  ...skillOptions(),
];

/** A skill is found by any of its names. */
const byAnyName: OptionsFilter = ({ options, search, limit }) => {
  const text = search.trim().toLowerCase();
  const isFound = (option: (typeof options)[number]) => {
    if (!("value" in option)) return false;
    const { value, label } = option;
    return [label, ...(catalogue().skills.get(value)?.aliases ?? [])].some((one) =>
      one.toLowerCase().includes(text),
    );
  };
  return options.filter(isFound).slice(0, limit);
};
/** Skills of a week that are named; the others are counted. */
const WORK_SHOWN = 6;

/** Who of a group will be ready for a show, and what do the weeks until then hold? */
export function ClassWeeksPage() {
  const { groupId = "" } = useParams();
  const paths = usePaths();
  const [params, setParams] = useSearchParams();
  const [openedAt] = useState(() => Date.now());
  const asked = classWeeksAskedFrom(params, openedAt);
  const groups = useQuery(groupsQuery);
  const isAsked = asked.skills.length > 0;
  const view = useQuery({
    ...classWeeksQuery(groupId, addressOfClassWeeks(asked).toString()),
    enabled: isAsked,
    placeholderData: keepPreviousData,
    retry: (count, error) => !isProblem(error) && count < 2,
  });
  const name = groups.data?.find((group) => group.id === groupId)?.name ?? "A group";
  useDocumentTitle(`${name}, toward a show · Mirrup`);
  const ask = (changes: Partial<ClassWeeksAsked>) =>
    // Seen at once: what is asked next is asked beside it.
    setParams(addressOfClassWeeks({ ...asked, ...changes }), { replace: true, flushSync: true });
  const refusal = isProblem(view.error) && view.error.problem.status === 422 ? view.error.message : null;
  const failure = failureOf(view);
  if (isAsked && failure !== null && refusal === null) {
    return (
      <Fault title="The weeks could not be planned" onRetry={() => void view.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  return (
    <section className={classes.page}>
      <header>
        <Link to={paths.class(groupId)} className={classes.back}>
          Back to the class
        </Link>
        <Title order={1}>{name}, toward a show</Title>
      </header>
      <Group align="end">
        <MultiSelect
          label="What everybody needs"
          description="On both sides where a skill has two"
          placeholder={isAsked ? "" : "Any of its names"}
          size="md"
          className={classes.skills}
          searchable
          filter={byAnyName}
          limit={40}
          maxValues={20}
          data={options()}
          nothingFoundMessage="No skill or programme of that name. Look for it in the skill book."
          value={[...asked.skills]}
          onChange={(skills) => ask({ skills })}
        />
        <WeeksFields
          asked={asked}
          label="The show"
          refusal={refusal}
          usual={{ perWeek: `${view.data?.lessonsAWeek ?? 1}, the group’s`, tries: "as each had lately" }}
          onAsk={ask}
        />
      </Group>
      {!isAsked && (
        <Text>
          Choose the skills that the show asks of everybody. You see who is likely to be ready, what most of
          them work at week by week, and what would have to give.
        </Text>
      )}
      {isAsked && view.data === undefined && refusal === null && <Skeleton height={320} />}
      {isAsked && view.data !== undefined && refusal === null && (
        <Weeks view={view.data} isOld={view.isPlaceholderData} onAsk={ask} />
      )}
    </section>
  );
}

interface WeeksProps {
  readonly view: ClassWeeksView;
  /** Whether it answers what was asked before, until the new answer is there. */
  readonly isOld: boolean;
  readonly onAsk: (changes: Partial<ClassWeeksAsked>) => void;
}

function Weeks({ view, isOld, onAsk }: WeeksProps) {
  const nameOf = (id: string) => view.students.find((one) => one.studentId === id)?.name ?? "Somebody";
  if (view.students.length === 0) {
    return <Text>Nobody is in this group yet. Edit the group and choose its students.</Text>;
  }
  return (
    <>
      <p role="status" className={classes.ready}>
        {readyWords(view)}
      </p>
      <Gives
        isOld={isOld}
        gives={view.gives.map((give) => ({
          words: classGiveWords(give),
          onPlan: () => onAsk(give.code === "lessons" ? { perWeek: give.aWeek } : { until: give.until }),
        }))}
      />
      <Students view={view} />
      <ol className={shared.weeks}>
        {view.weeks.map(({ start, lessons, work, isTaper }) => (
          <li key={start} className={shared.week}>
            <Title order={3}>Week of {daysWords(start)}</Title>
            <span className={shared.quiet}>
              {counted(lessons.length, "lesson")}
              {isTaper && ", half of the usual: the week before goes easy"}
            </span>
            <ul>
              {work.slice(0, WORK_SHOWN).map((one) => (
                <li key={one.subject}>{workWords(one, nameOf)}</li>
              ))}
              {work.length > WORK_SHOWN && <li>and {counted(work.length - WORK_SHOWN, "other skill")}</li>}
              {work.length === 0 && <li>Nothing new toward it: run it whole.</li>}
            </ul>
          </li>
        ))}
      </ol>
      {view.weeks.length === 0 && (
        <Text>No lesson lies before that date. Choose a later one, or more days.</Text>
      )}
      <Text className={shared.quiet}>
        Chances are the learner model’s, each student’s for themselves; growing students have a day between
        days of multiples, and nobody more landings than their week allows.
      </Text>
    </>
  );
}

/** Everybody, whoever is furthest from it first. */
function Students({ view }: Pick<WeeksProps, "view">) {
  const paths = usePaths();
  const students = [...view.students].sort(
    (one, other) => one.chance - other.chance || byName(one.name, other.name),
  );
  return (
    <Table.ScrollContainer minWidth={0}>
      <Table className={classes.table} fz="md">
        <Table.Caption>Who is furthest from it stands first.</Table.Caption>
        <Table.Thead>
          <Table.Tr>
            <Table.Th scope="col">Student</Table.Th>
            <Table.Th scope="col">By then</Table.Th>
            <Table.Th scope="col">Lessons it takes</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {students.map(({ studentId, name, outlook, chance, lessonsNeeded: { expected, low, high } }) => (
            <Table.Tr key={studentId} data-outlook={outlook}>
              <Table.Th scope="row">
                <Link to={paths.student(studentId)}>{name}</Link>
              </Table.Th>
              <Table.Td>
                {OUTLOOK_NAMES[outlook]}
                {outlook !== "there" && `, ${oddsWords(chance)}`}
              </Table.Td>
              <Table.Td>{outlook === "there" ? "none" : `about ${expected}, ${low} to ${high}`}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}
