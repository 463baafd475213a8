import type { ClassProgressView, GroupView, ProgrammeProgress } from "@mirrup/contract";
import { Button, Group, Skeleton, Table, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useQueries } from "@tanstack/react-query";
import { Link } from "react-router";
import { programmes } from "../app/catalogue.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { counted } from "../app/plural.js";
import { SheetButton } from "../app/sheet-button.js";
import { capital, dateWords, listWords, percentWords, skillName, wholeWords } from "../app/words.js";
import { programmeQuery } from "../students/index.js";
import { PeriodControl } from "./period-control.js";
import type { Period } from "./period.js";
import classes from "./progress-page.module.css";
import { attendedWords, finishedIn, seasonOf, seasonSheet, seasonWords, type Season } from "./season.js";
import { useClassProgress } from "./use-class-progress.js";

/** A season is longer than the weeks that a class is looked through. */
const USUAL_WEEKS = "26";

/** A season of a group or of everybody, to be printed and handed on. */
export function SeasonPage() {
  const paths = usePaths();
  const { groupId, groupName, studio, groups, view, weeks, askWeeks } = useClassProgress(USUAL_WEEKS);
  useDocumentTitle("Season · Mirrup");
  const failure = failureOf(studio) ?? failureOf(view) ?? failureOf(groups);
  if (failure !== null) {
    return (
      <Fault
        title="The season could not be read"
        onRetry={() => void Promise.all([studio, view, groups].map((one) => one.refetch()))}
      >
        {failure.message}
      </Fault>
    );
  }
  return (
    <section className={classes.page}>
      <header>
        <Link to={paths.classProgress(groupId)} className={classes.tools}>
          Back to the progress
        </Link>
        <Title order={1}>{groupName ?? studio.data?.name ?? ""}: the season</Title>
      </header>
      <Group gap="md" className={classes.tools}>
        <PeriodControl weeks={weeks} onChange={askWeeks} />
        <Button size="md" onClick={() => window.print()}>
          Print
        </Button>
        {view.data !== undefined && groups.data !== undefined && (
          <SheetButton name="season" make={() => seasonSheet(seasonOf(view.data, groups.data))} size="md" />
        )}
      </Group>
      {view.data === undefined || groups.data === undefined ? (
        <Skeleton height={480} />
      ) : (
        <Shown view={view.data} groups={groupId === undefined ? groups.data : []} groupId={groupId} />
      )}
    </section>
  );
}

interface ShownProps {
  readonly view: ClassProgressView;
  readonly groups: readonly GroupView[];
  readonly groupId: string | undefined;
}

function Shown({ view, groups, groupId }: ShownProps) {
  const season = seasonOf(view, groups);
  return (
    <article className={classes.season}>
      {seasonWords(season, view).map((sentence) => (
        <Text key={sentence} size="lg">
          {sentence}
        </Text>
      ))}
      <Groups season={season} />
      {season.learned.length > 0 && (
        <section>
          <Title order={2}>What most of them learned</Title>
          <ul className={classes.columns}>
            {season.learned.map(([subject, students]) => (
              <li key={subject}>
                {capital(skillName(subject))}: {counted(students, "student")}
              </li>
            ))}
          </ul>
        </section>
      )}
      {season.furthest.length > 0 && (
        <section>
          <Title order={2}>Who came furthest</Title>
          <ul className={classes.columns}>
            {season.furthest.map(({ studentId, name, cleared }) => (
              <li key={studentId}>
                {name}: {counted(cleared.length, "side")}
              </li>
            ))}
          </ul>
        </section>
      )}
      <Finished groupId={groupId} period={view} />
    </article>
  );
}

/** Group by group, where there is more than one. */
function Groups({ season: { groups, all } }: { readonly season: Season }) {
  if (groups.length === 0) return null;
  return (
    <section>
      <Title order={2}>Group by group</Title>
      <Table.ScrollContainer minWidth={620} scrollAreaProps={{ viewportProps: { tabIndex: 0 } }}>
        <Table>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Group</Table.Th>
              <Table.Th ta="right">Students</Table.Th>
              <Table.Th ta="right">Practised</Table.Th>
              {all.held > 0 && <Table.Th ta="right">Places taken</Table.Th>}
              <Table.Th ta="right">Tries</Table.Th>
              <Table.Th ta="right">Clean</Table.Th>
              <Table.Th ta="right">Cleared</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {[...groups, { name: "Everybody", ...all }].map((one, place) => (
              // Two groups may have one name.
              <Table.Tr key={place}>
                <Table.Th scope="row">{one.name}</Table.Th>
                <Table.Td ta="right">{one.students}</Table.Td>
                <Table.Td ta="right">{one.practised}</Table.Td>
                {all.held > 0 && <Table.Td ta="right">{attendedWords(one)}</Table.Td>}
                <Table.Td ta="right">{wholeWords(one.tries)}</Table.Td>
                <Table.Td ta="right">{one.tries === 0 ? "" : percentWords(one.clean / one.tries)}</Table.Td>
                <Table.Td ta="right">{one.cleared}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
      <Text size="sm" className={classes.quiet}>
        Whoever is in two groups counts in both, and once in the last line.
      </Text>
    </section>
  );
}

interface FinishedProps {
  readonly groupId: string | undefined;
  readonly period: Period;
}

/** The programmes that were finished, and by whom; nothing where there are none. */
function Finished({ groupId, period }: FinishedProps) {
  const own = [...programmes()];
  const read = useQueries({ queries: own.map(([key]) => programmeQuery(key, groupId)) });
  const finished = own.flatMap(([key, { name }], place) => {
    const progress: readonly ProgrammeProgress[] = read[place]?.data ?? [];
    const who = finishedIn(progress, period);
    return who.length === 0 ? [] : [{ key, name, who }];
  });
  const isUnread = read.some((one) => failureOf(one) !== null);
  if (finished.length === 0 && !isUnread) return null;
  return (
    <section>
      <Title order={2}>Programmes finished</Title>
      {isUnread && (
        <Text role="alert">Not all of them could be read. Load the page again before you print it.</Text>
      )}
      <ul>
        {finished.map(({ key, name, who }) => (
          <li key={key}>
            {name}: {listWords(who.map((one) => `${one.name} on ${dateWords(one.on)}`))}
          </li>
        ))}
      </ul>
    </section>
  );
}
