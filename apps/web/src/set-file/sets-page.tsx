import { Alert, Button, FileInput, Group, Progress, Select, Table, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { catalogue } from "../app/catalogue.js";
import type { FileRows } from "../app/file-rows.js";
import { counted } from "../app/plural.js";
import { usePaths } from "../app/paths.js";
import { readAnew } from "../app/read-anew.js";
import { countsWords } from "../app/drill-words.js";
import { capital, dateTimeWords, subjectName } from "../app/words.js";
import { useEverybody } from "../students/index.js";
import { readRows } from "./read-in-worker.js";
import { sendSets, takeBack, type Stored } from "./send.js";
import {
  FIELD_NAMES,
  FIELDS,
  guessMapping,
  NEEDED,
  readSets,
  studentsByName,
  type DayOrder,
  type Field,
  type Mapping,
  type ReadSets,
} from "./set-file.js";
import classes from "./sets-page.module.css";

const SHOWN = 20;
const MOST_FAULTS = 30;
const NOTHING = "–";

/** Sets that were counted elsewhere, brought in from a file: looked at first, stored when confirmed, all of it undone in one. */
export function SetsPage() {
  useDocumentTitle("Sets from a file · Mirrup");
  const paths = usePaths();
  const read = useMutation({ mutationFn: readRows });
  return (
    <div className={classes.page}>
      <header>
        <Link to={paths.students}>All students</Link>
        <Title order={1}>Sets from a file</Title>
        <Text className={classes.quiet}>
          A log that was kept elsewhere, as CSV or as a spreadsheet (.xlsx): a line a set, with the student’s
          name, the skill, the day and how many were clean. Nothing is stored before you say so, and a line
          that is read twice counts once.
        </Text>
      </header>
      <FileInput
        label="File"
        placeholder="Choose a file …"
        accept=".csv,.txt,.xlsx,text/csv,text/plain"
        size="md"
        maw={420}
        clearable
        clearButtonProps={{ "aria-label": "Choose none" }}
        onChange={(file) => (file === null ? read.reset() : read.mutate(file))}
      />
      {read.isPending && <Text role="status">Reading …</Text>}
      {read.isError && (
        <Alert color="red" role="alert">
          {read.error.message}
        </Alert>
      )}
      {read.data !== undefined && <Columns file={read.data} key={read.submittedAt} />}
    </div>
  );
}

/** What the columns of a file say, and what its lines come to. */
function Columns({ file }: { readonly file: FileRows }) {
  const [headings = []] = file.rows;
  const everybody = useEverybody();
  const [mapping, setMapping] = useState<Mapping>(() => guessMapping(headings));
  const [order, setOrder] = useState<DayOrder>("day-first");
  const lacking = NEEDED.filter((field) => mapping[field] === undefined);
  const sets = useMemo(
    () =>
      everybody === null || lacking.length > 0
        ? null
        : readSets(file.rows, mapping, order, {
            catalogue: catalogue(),
            students: studentsByName(everybody),
          }),
    [file, mapping, order, everybody, lacking.length],
  );
  const choose = (field: Field, place: string | null) =>
    setMapping((before) => {
      const { [field]: _old, ...rest } = before;
      return place === null ? rest : { ...rest, [field]: Number(place) };
    });
  const columns = headings.map((heading, place) => ({
    value: String(place),
    label: heading.trim() === "" ? `Column ${place + 1}` : heading,
  }));
  return (
    <>
      <section aria-labelledby="columns">
        <Title order={2} id="columns">
          Which column says what
        </Title>
        <div className={classes.mapping}>
          {FIELDS.map((field) => (
            <Select
              key={field}
              size="md"
              label={FIELD_NAMES[field]}
              placeholder={NOTHING}
              required={NEEDED.includes(field)}
              clearable={!NEEDED.includes(field)}
              data={columns}
              value={mapping[field] === undefined ? null : String(mapping[field])}
              onChange={(place) => choose(field, place)}
            />
          ))}
          <Select
            size="md"
            label="Days with dots or slashes"
            allowDeselect={false}
            data={[
              { value: "day-first", label: "31/12/2026: the day first" },
              { value: "month-first", label: "12/31/2026: the month first" },
            ]}
            value={order}
            onChange={(value) => setOrder(value === "month-first" ? "month-first" : "day-first")}
          />
        </div>
      </section>
      {lacking.length > 0 && (
        <Text role="status">
          Say which column is the {lacking.map((field) => FIELD_NAMES[field].toLowerCase()).join(", the ")}.
        </Text>
      )}
      {sets !== null && <Found found={sets} />}
    </>
  );
}

function Found({ found }: { readonly found: ReadSets }) {
  const { sets, faults } = found;
  const everybody = useEverybody() ?? [];
  const nameOf = new Map(everybody.map(({ id, name }) => [id, name]));
  const whom = new Set(sets.map(({ set }) => set.studentId)).size;
  return (
    <>
      <Text role="status">
        {counted(sets.length, "set")} of {counted(whom, "student")}
        {faults.length > 0 && `; ${counted(faults.length, "line is", "lines are")} left out`}.
      </Text>
      <Send found={found} />
      {faults.length > 0 && (
        <Alert color="yellow" title={`${counted(faults.length, "line does", "lines do")} not fit`}>
          <ul className={classes.faults}>
            {faults.slice(0, MOST_FAULTS).map(({ line, field, message }) => (
              <li key={line}>
                Line {line}, {FIELD_NAMES[field].toLowerCase()}: {message}
              </li>
            ))}
          </ul>
          {faults.length > MOST_FAULTS && <Text>and {faults.length - MOST_FAULTS} more.</Text>}
        </Alert>
      )}
      {sets.length > 0 && (
        <Table.ScrollContainer minWidth={600}>
          <Table aria-label="The first of them">
            <Table.Thead>
              <Table.Tr>
                <Table.Th>Line</Table.Th>
                <Table.Th>Student</Table.Th>
                <Table.Th>Skill</Table.Th>
                <Table.Th>When</Table.Th>
                <Table.Th>Counted</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {sets.slice(0, SHOWN).map(({ line, set }) => (
                <Table.Tr key={set.id}>
                  <Table.Td>{line}</Table.Td>
                  <Table.Td>{nameOf.get(set.studentId)}</Table.Td>
                  <Table.Td>{capital(subjectName(set.subject, set.side))}</Table.Td>
                  <Table.Td>{dateTimeWords(set.at)}</Table.Td>
                  <Table.Td>{countsWords(set)}</Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        </Table.ScrollContainer>
      )}
    </>
  );
}

/** Stores what was found, and takes all of it back. */
function Send({ found: { sets } }: { readonly found: ReadSets }) {
  const client = useQueryClient();
  const [sent, setSent] = useState(0);
  const [stop, setStop] = useState<AbortController | null>(null);
  const again = () => readAnew(client, { topics: ["students", "lessons"] });
  const send = useMutation({
    mutationFn: () => {
      const ended = new AbortController();
      setStop(ended);
      setSent(0);
      return sendSets(sets, setSent, ended.signal);
    },
    onSettled: again,
  });
  const undo = useMutation({
    mutationFn: (stored: Stored) => takeBack(stored.sets, new Date()),
    onSuccess: () => send.reset(),
    onSettled: again,
  });
  const failure = send.error ?? undo.error;
  return (
    <div className={classes.send}>
      <Group gap="sm">
        <Button
          size="md"
          disabled={sets.length === 0 || send.isPending || undo.isPending || send.data !== undefined}
          onClick={() => send.mutate()}
        >
          Store {counted(sets.length, "set")}
        </Button>
        {send.isPending && (
          <>
            <Progress value={(100 * sent) / sets.length} w={220} aria-label="How much is stored" />
            <Button variant="default" onClick={() => stop?.abort()}>
              Stop
            </Button>
          </>
        )}
      </Group>
      {failure !== null && (
        <Alert color="red" role="alert">
          {failure.message} What was stored so far is in the log; store them again, and each counts once.
        </Alert>
      )}
      {undo.isSuccess && send.data === undefined && <Text role="status">All of it is taken back.</Text>}
      {send.data !== undefined && (
        <Alert color="ink" role="status" title={`${counted(send.data.sets.length, "set")} stored`}>
          {send.data.known > 0 && (
            <Text>{counted(send.data.known, "set was", "sets were")} in the log already.</Text>
          )}
          {send.data.refused.map(({ line, message }) => (
            <Text key={line}>
              Line {line} was not taken: {message}
            </Text>
          ))}
          {send.data.sets.length > 0 && (
            <Button mt="xs" variant="default" loading={undo.isPending} onClick={() => undo.mutate(send.data)}>
              Take all of it back
            </Button>
          )}
        </Alert>
      )}
    </div>
  );
}
