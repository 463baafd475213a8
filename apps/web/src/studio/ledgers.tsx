import type { AuditAction, AuditView } from "@mirrup/contract";
import { sideNamed } from "@mirrup/core";
import { Accordion, Checkbox, Skeleton, Table, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { dateTimeWords, subjectName } from "../app/words.js";
import { goneWords, stateWords } from "./letter-words.js";
import { auditQuery, mailQuery } from "./queries.js";
import classes from "./studio-page.module.css";

const ACTION_WORDS: Readonly<Record<AuditAction, string>> = {
  "set-up": "set the studio up",
  "signed-in": "signed in",
  "sign-in-failed": "tried to sign in with a wrong password",
  "signed-out-everywhere": "signed out everywhere",
  "asked-for-password": "asked for a new password",
  "changed-password": "changed their password",
  "changed-account": "changed their account:",
  left: "left:",
  invited: "invited",
  joined: "joined as",
  "role-changed": "changed the part of",
  removed: "took out",
  cleared: "cleared",
  reopened: "reopened",
  overrode: "set otherwise",
  "took-back": "took back a decision on",
  accepted: "accepted what was practised alone of",
  "changed-school": "changed the school",
  "changed-studio": "changed of the studio:",
  "changed-skills": "changed what is taught:",
  "settled-rules": "settled what newer rules changed:",
  added: "added",
  imported: "took in a file",
  exported: "exported the record of",
  "exported-all": "exported the records of",
  "changed-record": "changed",
  "brought-together": "brought two records of one child together:",
  "took-apart": "took two records apart again:",
  "stopped-early": "ended the jumping for today",
  "took-stop-back": "took back today’s early stop",
  shared: "made a link to the combo",
  unshared: "withdrew the link to the combo",
  "opened-home": "made a home link for",
  "closed-home": "ended the home link of",
  "mailed-report": "mailed a report on",
  deleted: "deleted",
};

/** What everybody does every day, and an owner looks for only now and then. A wrong password is always shown. */
function isSignIn(action: AuditAction): boolean {
  return action === "signed-in" || action === "signed-out-everywhere";
}

function auditWords({ by, action, whom, about }: AuditView): string {
  const named = sideNamed(about ?? "");
  const what = named === null ? (about ?? "") : subjectName(named.subject, named.side);
  const words = [by ?? "Someone who has left", ACTION_WORDS[action], what];
  return [...words.filter(Boolean), ...(whom === null ? [] : [what === "" ? whom : `of ${whom}`])].join(" ");
}

/** The outbox: what has left by the mail server, what waits, and what has to be handed on. */
export function Mail() {
  const mail = useQuery(mailQuery);
  const isSent = mail.data?.some(({ state }) => state !== "kept") ?? false;
  return (
    <section>
      <Title order={2}>Outbox</Title>
      <Text className={classes.quiet} mb="sm">
        {isSent
          ? "Letters leave by your mail server. Pass on yourself what it did not accept."
          : "Mirrup sends no mail of its own. Hand these letters on yourself, or set a mail server (see the README)."}
      </Text>
      {mail.isPending && <Skeleton height={60} />}
      {mail.isError && <Text role="alert">{mail.error.message}</Text>}
      {mail.data?.length === 0 && <Text>Nothing has been sent yet.</Text>}
      <Accordion variant="contained">
        {mail.data?.map((letter) => (
          <Accordion.Item key={letter.id} value={letter.id}>
            <Accordion.Control>
              {letter.subject}, to {letter.to}, {dateTimeWords(letter.at)}
              {letter.state !== "kept" && ` (${stateWords(letter)})`}
            </Accordion.Control>
            <Accordion.Panel className={classes.letter}>{letter.text ?? goneWords(letter)}</Accordion.Panel>
          </Accordion.Item>
        ))}
      </Accordion>
    </section>
  );
}

/** Who did what, newest first. */
export function Audit() {
  const audit = useQuery(auditQuery);
  const [withSignIns, setWithSignIns] = useState(false);
  const shown = audit.data?.filter(({ action }) => withSignIns || !isSignIn(action));
  return (
    <section>
      <Title order={2}>Who did what</Title>
      {audit.isPending && <Skeleton height={60} />}
      {audit.isError && <Text role="alert">{audit.error.message}</Text>}
      <Checkbox
        mb="sm"
        label="Show signing in and out too"
        checked={withSignIns}
        onChange={(event) => setWithSignIns(event.currentTarget.checked)}
      />
      {shown?.length === 0 && <Text>Nothing to tell yet.</Text>}
      <div className={classes.scroll} tabIndex={0} role="region" aria-label="Who did what">
        <Table>
          <Table.Tbody>
            {shown?.map((entry) => (
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
