import { Alert, Table, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { catalogueQuery, useMayTeach } from "../account/index.js";
import { usePaths } from "../app/paths.js";
import { capital, dateTimeWords, skillName } from "../app/words.js";
import { editionsQuery } from "./queries.js";
import classes from "./studio-page.module.css";

/** What was changed last of what is taught. */
const SHOWN = 10;

/** What the studio teaches otherwise than what ships: its own skills, names, needs, cues and gates; and who changed what. */
export function OwnSkills() {
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const own = useQuery(catalogueQuery);
  const editions = useQuery({ ...editionsQuery, enabled: mayTeach });
  const entries = Object.entries(own.data?.entries ?? {});
  const of = (kind: "own" | "changed") =>
    entries.filter(([, entry]) => entry.kind === kind).map(([id]) => id);
  const leftOut = own.data?.leftOut ?? [];
  const links = (title: string, ids: readonly string[]) =>
    ids.length > 0 && (
      <>
        <Title order={3}>{title}</Title>
        <ul className={classes.skills}>
          {ids.map((id) => (
            <li key={id}>
              <Link to={paths.skill(id)}>{capital(skillName(id))}</Link>
            </li>
          ))}
        </ul>
      </>
    );
  return (
    <section>
      <Title order={2}>Our own skills</Title>
      {entries.length === 0 && (
        <Text>
          You teach what ships.{" "}
          {mayTeach && (
            <>
              <Link to={paths.skill("new")}>Make a skill of your own</Link>, or open any in the{" "}
              <Link to={paths.skills}>skill book</Link> and teach it your way.
            </>
          )}
        </Text>
      )}
      {leftOut.length > 0 && (
        <Alert color="yellow" title="Not taught until it is mended" my="sm">
          {leftOut.map(({ skill, message }) => (
            <p key={`${skill} ${message}`}>{message}</p>
          ))}
        </Alert>
      )}
      {links("Made here", of("own"))}
      {links("Taught our way", of("changed"))}
      {editions.data !== undefined && editions.data.length > 0 && (
        <Table aria-label="What was changed last" mt="sm">
          <Table.Tbody>
            {editions.data.slice(0, SHOWN).map(({ edition, subject, at, by }) => (
              <Table.Tr key={edition}>
                <Table.Td>{dateTimeWords(at)}</Table.Td>
                <Table.Td>{capital(skillName(subject))}</Table.Td>
                <Table.Td>{by ?? "Someone who has left"}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </section>
  );
}
