import { Button, Group, Modal, Stack, Text } from "@mantine/core";
import { useDisclosure } from "@mantine/hooks";
import { tellFault } from "../app/undo.js";
import { dateTimeWords, subjectName } from "../app/words.js";
import { clockWords } from "./clock-words.js";
import { discard, flush, sendAgain } from "./outbox.js";
import type { WaitingSet } from "./store.js";
import { useOutbox, useSending } from "./use-outbox.js";
import classes from "./outbox-note.module.css";

function setWords({ set }: WaitingSet): string {
  return `${subjectName(set.subject, set.side)}: ${set.clean} clean, best ${set.bestStreak}, ${dateTimeWords(set.at)}`;
}

function sets(count: number): string {
  return count === 1 ? "1 set" : `${count} sets`;
}

/** Tells what waits on this device and what the server refused; opens the tray where that is dealt with. */
export function OutboxNote() {
  useSending(tellFault);
  const { waiting, refused, silent, signedOut, clockAheadSeconds } = useOutbox();
  const [opened, { open, close }] = useDisclosure(false);
  const said = [
    ...(waiting.length > 0 ? [`${sets(waiting.length)} still to send`] : []),
    ...(refused.length > 0
      ? [`${sets(refused.length)} need${refused.length === 1 ? "s" : ""} attention`]
      : []),
    ...(clockAheadSeconds === 0 ? [] : ["This clock is wrong"]),
  ];
  return (
    <>
      <div role="status" className={classes.status}>
        {said.length > 0 && (
          <button type="button" className={classes.note} data-refused={refused.length > 0} onClick={open}>
            {said.map((line) => (
              <span key={line}>{line}</span>
            ))}
          </button>
        )}
      </div>
      <Modal
        opened={opened}
        onClose={close}
        title="On this device"
        size="lg"
        closeButtonProps={{ "aria-label": "Close" }}
      >
        <Stack>
          {waiting.length > 0 && (
            <section>
              <Text fw={700}>{sets(waiting.length)} still to send</Text>
              <Text size="sm">
                {signedOut
                  ? "You are signed out. They wait here, and are sent when you sign in again."
                  : silent
                    ? "The server does not answer. They are kept here and sent as soon as it does."
                    : "They are being sent."}
              </Text>
              <ul>
                {waiting.map((one) => (
                  <li key={one.set.id}>{setWords(one)}</li>
                ))}
              </ul>
              <Button variant="default" onClick={() => void flush()}>
                Send now
              </Button>
            </section>
          )}
          {refused.map((one) => (
            <section key={one.set.id} className={classes.refused}>
              <Text fw={700}>{setWords(one)}</Text>
              <Text>{one.refusal?.message}</Text>
              <Group mt="xs">
                <Button variant="default" onClick={() => void sendAgain(one)}>
                  Send again
                </Button>
                <Button variant="subtle" color="red" onClick={() => void discard(one)}>
                  Discard this set
                </Button>
              </Group>
            </section>
          ))}
          {clockAheadSeconds !== 0 && (
            <section>
              <Text fw={700}>This device’s clock is {clockWords(clockAheadSeconds)}</Text>
              <Text size="sm">
                What you count is put at the right time all the same, as long as the clock is not changed
                before it is sent. Set it right in the device’s settings.
              </Text>
            </section>
          )}
          {waiting.length + refused.length === 0 && (
            <Text>Nothing waits here; the server has everything.</Text>
          )}
        </Stack>
      </Modal>
    </>
  );
}
