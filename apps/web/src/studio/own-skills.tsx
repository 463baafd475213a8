import type { CatalogueView, EditionView } from "@mirrup/contract";
import { schoolOfKey, type Overlay, type OverlayEntry } from "@mirrup/core";
import { Alert, Button, Table, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { catalogueQuery, useMayTeach } from "../account/index.js";
import { get } from "../app/api.js";
import { programmes } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { tellFault } from "../app/undo.js";
import { capital, dateTimeWords, listWords, SCHOOL_NAMES, skillName } from "../app/words.js";
import { CatchingUp, changesTo, SkillsInOut, useSkillChange } from "../own-skill/index.js";
import { studioQuery } from "../students/index.js";
import { ClassGates } from "./class-gates.js";
import { editionsQuery } from "./queries.js";
import classes from "./studio-page.module.css";

/** What was changed last of what is taught. */
const SHOWN = 10;

function nameOf(subject: string): string {
  const school = schoolOfKey(subject);
  return school === null ? skillName(subject) : `gates of ${SCHOOL_NAMES[school]}`;
}

interface EditionsProps {
  readonly editions: readonly EditionView[];
  readonly now: Overlay["entries"];
}

/** Who changed what is taught and when, with the way back to any of it. */
function Editions({ editions, now }: EditionsProps) {
  const change = useSkillChange();
  const goBack = async ({ edition, at }: EditionView) => {
    try {
      const { entries } = await get<CatalogueView>(`/catalogue/editions/${edition}`);
      const changes = changesTo(now, entries);
      await change.mutateAsync({ changes, done: `Skills are as they were on ${dateTimeWords(at)}.` });
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <Table aria-label="What was changed last" mt="sm">
      <Table.Tbody>
        {editions.slice(0, SHOWN).map((one, place) => (
          <Table.Tr key={one.edition}>
            <Table.Td>{dateTimeWords(one.at)}</Table.Td>
            <Table.Td>{capital(listWords(one.subjects.map(nameOf)))}</Table.Td>
            <Table.Td>{one.by ?? "Someone who has left"}</Table.Td>
            <Table.Td>
              {place === 0 ? (
                "now"
              ) : (
                <Button
                  variant="subtle"
                  size="compact-md"
                  loading={change.isPending}
                  aria-label={`Back to how it was on ${dateTimeWords(one.at)}`}
                  onClick={() => void goBack(one)}
                >
                  Back to this
                </Button>
              )}
            </Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}

/** What the studio teaches otherwise than what ships: its own skills, names, needs, cues and gates; and who changed what. */
export function OwnSkills() {
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const own = useQuery(catalogueQuery);
  const studio = useQuery(studioQuery);
  const editions = useQuery({ ...editionsQuery, enabled: mayTeach });
  const entries = Object.entries(own.data?.entries ?? {});
  const isHidden = (entry: OverlayEntry) =>
    (entry.kind === "own" || entry.kind === "changed") && entry.isHidden === true;
  const of = (kind: "own" | "changed") =>
    entries.filter(([, entry]) => entry.kind === kind && !isHidden(entry)).map(([id]) => id);
  const hidden = entries.filter(([, entry]) => isHidden(entry)).map(([id]) => id);
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
      <CatchingUp />
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
      {mayTeach && <Link to={paths.skillOrder}>Order of the skills</Link>}
      {links("Made here", of("own"))}
      {links("Taught our way", of("changed"))}
      {links("Hidden", hidden)}
      {programmes().size > 0 && (
        <>
          <Title order={3}>Programmes</Title>
          <ul className={classes.skills}>
            {[...programmes()].map(([key, { name }]) => (
              <li key={key}>
                <Link to={paths.programme(key)}>{name}</Link>
              </li>
            ))}
          </ul>
        </>
      )}
      {mayTeach && studio.data !== undefined && <ClassGates school={studio.data.school} />}
      <SkillsInOut />
      {editions.data !== undefined && editions.data.length > 0 && (
        <Editions editions={editions.data} now={own.data?.entries ?? {}} />
      )}
    </section>
  );
}
