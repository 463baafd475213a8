import { MAX_IMPORT, type ImportReply } from "@mirrup/contract";
import { Alert, Button, Checkbox, FileInput, Group, Progress, Table, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { counted } from "../app/plural.js";
import { post } from "../app/api.js";
import { usePaths } from "../app/paths.js";
import { readAnew } from "../app/read-anew.js";
import { archivedQuery, studentsQuery } from "../students/index.js";
import { COLUMNS } from "./columns.js";
import classes from "./import-page.module.css";
import type { ReadRow, RowFault } from "./roster-file.js";
import { useRosterFile } from "./use-roster-file.js";

const SHOWN_ROWS = 100;
const number = new Intl.NumberFormat("en");

function Preview({ rows }: { readonly rows: readonly ReadRow[] }) {
  const fields = COLUMNS.filter((column) => rows.some(({ student }) => Object.hasOwn(student, column.id)));
  const textOf = ({ student }: ReadRow, id: string): string => {
    const value: unknown = Reflect.get(student, id);
    if (Array.isArray(value)) return value.join(", ");
    if (typeof value === "number" && id.endsWith("Mm")) return `${value / 10} cm`;
    return typeof value === "string" || typeof value === "number" ? String(value) : "";
  };
  return (
    <div className={classes.scroll}>
      <Table>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Line</Table.Th>
            {fields.map((column) => (
              <Table.Th key={column.id}>{column.heading.replace(/ \(.*/, "")}</Table.Th>
            ))}
            <Table.Th />
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.slice(0, SHOWN_ROWS).map((row) => (
            <Table.Tr key={row.line}>
              <Table.Td>{row.line}</Table.Td>
              {fields.map((column) => (
                <Table.Td key={column.id}>{textOf(row, column.id)}</Table.Td>
              ))}
              <Table.Td>{row.isTwin && "already here or archived, or twice in the file"}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      {rows.length > SHOWN_ROWS && (
        <Text mt="xs">and {number.format(rows.length - SHOWN_ROWS)} more like these.</Text>
      )}
    </div>
  );
}

function Faults({ faults }: { readonly faults: readonly RowFault[] }) {
  return (
    <Alert color="yellow" title={`${counted(faults.length, "place does", "places do")} not fit`}>
      <Text>Their lines are left out. Put them right in the file and choose it again, or go on without.</Text>
      <ul className={classes.faults}>
        {faults.slice(0, SHOWN_ROWS).map(({ line, column, message }) => (
          <li key={`${line} ${column}`}>
            Line {line}, {column}: {message}
          </li>
        ))}
      </ul>
    </Alert>
  );
}

/** Brings a roster in from a file: looked at first, stored when confirmed, all of it or nothing. */
export function ImportPage() {
  useDocumentTitle("Students from a file · Mirrup");
  const paths = usePaths();
  const navigate = useNavigate();
  const client = useQueryClient();
  const { state, read, forget } = useRosterFile();
  const [withTwins, setWithTwins] = useState(false);
  const take = useMutation({
    mutationFn: (rows: readonly ReadRow[]) =>
      post<ImportReply>("/students/import", {
        students: rows.map(({ id, student }) => ({ id, ...student })),
      }),
    onSuccess: async () => {
      await readAnew(client, { topics: ["students", "groups"] });
      await navigate(paths.students);
    },
  });
  /** Who is there already: waited for, since a file can be chosen before they have been read. */
  const known = async () => {
    const [present, archived] = await Promise.all([
      client.query({ ...studentsQuery, staleTime: "static" }).catch(() => []),
      client.query({ ...archivedQuery, staleTime: "static" }).catch(() => []),
    ]);
    return [...present, ...archived].map((student) => student.name);
  };
  const roster = state.kind === "read" ? state.roster : null;
  const twins = roster?.rows.filter((row) => row.isTwin).length ?? 0;
  const chosen = roster?.rows.filter((row) => withTwins || !row.isTwin) ?? [];
  const isTooLong = chosen.length > MAX_IMPORT;
  return (
    <div className={classes.page}>
      <header>
        <Link to={paths.students} className={classes.back}>
          All students
        </Link>
        <Title order={1}>Students from a file</Title>
        <Text className={classes.quiet}>
          A CSV file, or a spreadsheet (.xlsx) of which the first sheet is read. The first line names the
          columns; a column of names is enough. Understood are:{" "}
          {COLUMNS.map((column) => column.heading).join(", ")}. Nothing is stored before you say so.{" "}
          <Link to={paths.importingSets}>Sets that were counted elsewhere</Link> come in on a page of their
          own.
        </Text>
      </header>
      <FileInput
        label="File"
        placeholder="Choose a file …"
        accept=".csv,.txt,.xlsx,text/csv,text/plain"
        size="md"
        clearable
        clearButtonProps={{ "aria-label": "Choose none" }}
        className={classes.file}
        onChange={(file) => {
          take.reset();
          if (file === null) forget();
          else void read(file, known());
        }}
      />
      {state.kind === "reading" && (
        <Group role="status">
          <Progress value={100 * state.share} w={240} aria-label="How much of the file is read" />
          <Text>Reading …</Text>
          <Button variant="default" onClick={forget}>
            Stop
          </Button>
        </Group>
      )}
      {state.kind === "failed" && (
        <Alert color="red" role="alert">
          {state.message}
        </Alert>
      )}
      {roster !== null && (
        <>
          {roster.faults.length > 0 && <Faults faults={roster.faults} />}
          <Text role="status">
            {counted(roster.rows.length, "student")} read ({roster.encoding}).
            {roster.overlooked.length > 0 && ` Columns not understood: ${roster.overlooked.join(", ")}.`}
          </Text>
          {twins > 0 && (
            <Checkbox
              size="md"
              checked={withTwins}
              onChange={(event) => setWithTwins(event.currentTarget.checked)}
              label={`Add the ${twins} whose names are here already, too`}
            />
          )}
          {isTooLong && (
            <Alert color="yellow" role="alert">
              The file has {number.format(chosen.length)} students; {number.format(MAX_IMPORT)} can be taken
              in at once. Split it into parts and bring them in one after the other.
            </Alert>
          )}
          {take.isError && (
            <Alert color="red" role="alert" title="Nothing was stored">
              {take.error.message}
            </Alert>
          )}
          <Group>
            <Button
              size="md"
              disabled={chosen.length === 0 || isTooLong}
              loading={take.isPending}
              onClick={() => take.mutate(chosen)}
            >
              Add {counted(chosen.length, "student")}
            </Button>
          </Group>
          {roster.rows.length > 0 && <Preview rows={roster.rows} />}
        </>
      )}
    </div>
  );
}
