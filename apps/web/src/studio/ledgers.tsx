import type { AuditAction, AuditView } from "@mirrup/contract";
import { SIDE_NAMES } from "@mirrup/core";
import { Accordion, Skeleton, Table, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { dateTimeWords, subjectName } from "../app/words.js";
import { auditQuery, mailQuery } from "./queries.js";
import classes from "./studio-page.module.css";

const ACTION_WORDS: Readonly<Record<AuditAction, string>> = {
  "set-up": "set the studio up",
  invited: "invited",
  joined: "joined as",
  "role-changed": "changed the part of",
  removed: "took out",
  cleared: "cleared",
  reopened: "reopened",
  overrode: "set otherwise",
  "took-back": "took back a decision on",
  "changed-school": "changed the school",
  imported: "took in a file",
  exported: "exported the record of",
  "exported-all": "exported the records of",
  "changed-record": "changed",
  shared: "made a link to the combo",
  unshared: "withdrew the link to the combo",
  deleted: "deleted",
};

function auditWords({ by, action, whom, about }: AuditView): string {
  const [subject = "", side] = about?.split(":") ?? [];
  const what =
    side === undefined ? subject : subjectName(subject, SIDE_NAMES.find((one) => one === side) ?? "whole");
  const words = [by ?? "Someone who has left", ACTION_WORDS[action], what];
  return [...words.filter(Boolean), ...(whom === null ? [] : [what === "" ? whom : `of ${whom}`])].join(" ");
}

/** The outbox: letters lie here, since no mail server is connected. */
export function Mail() {
  const mail = useQuery(mailQuery);
  return (
    <section>
      <Title order={2}>Outbox</Title>
      <Text className={classes.quiet} mb="sm">
        Mirrup sends no mail of its own. Hand these letters on yourself, or connect a mail server.
      </Text>
      {mail.isPending && <Skeleton height={60} />}
      {mail.data?.length === 0 && <Text>Nothing has been sent yet.</Text>}
      <Accordion variant="contained">
        {mail.data?.map(({ id, to, subject, text, at }) => (
          <Accordion.Item key={id} value={id}>
            <Accordion.Control>
              {subject}, to {to}, {dateTimeWords(at)}
            </Accordion.Control>
            <Accordion.Panel className={classes.letter}>{text}</Accordion.Panel>
          </Accordion.Item>
        ))}
      </Accordion>
    </section>
  );
}

/** Who did what, newest first. */
export function Audit() {
  const audit = useQuery(auditQuery);
  return (
    <section>
      <Title order={2}>Who did what</Title>
      {audit.isPending && <Skeleton height={60} />}
      {audit.data?.length === 0 && <Text>Nothing to tell yet.</Text>}
      <div className={classes.scroll} tabIndex={0} role="region" aria-label="Who did what">
        <Table>
          <Table.Tbody>
            {audit.data?.map((entry) => (
              <Table.Tr key={entry.id}>
                <Table.Td>{dateTimeWords(entry.at)}</Table.Td>
                <Table.Td>{auditWords(entry)}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </div>
    </section>
  );
}
