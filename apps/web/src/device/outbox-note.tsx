import type { StudentView } from "@mirrup/contract";
import { Button, Group, Modal, Stack, Text } from "@mantine/core";
import { useDisclosure } from "@mantine/hooks";
import { useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect } from "react";
import { counted, pluralOf } from "../app/plural.js";
import { clockWords } from "./clock-words.js";
import { commandWords, waitingWords } from "./command-words.js";
import { outbox, startOutbox } from "./here.js";
import { newcomersOf } from "./shown.js";
import { useLeftRuns } from "./use-left-runs.js";
import { useOutbox } from "./use-outbox.js";
import classes from "./outbox-note.module.css";

const LeftSets = lazy(async () => ({ default: (await import("./left-sets.js")).LeftSets }));

/** Tells what waits on this device and what the server refused; opens the tray where that is dealt with. */
export function OutboxNote() {
  const client = useQueryClient();
  useEffect(startOutbox, []);
  const { waiting, refused, silent, signedOut, clockAheadSeconds } = useOutbox();
  const [opened, { open, close }] = useDisclosure(false);
  const { left: unfinished, look } = useLeftRuns();
  const newcomers = newcomersOf([...waiting, ...refused].map((one) => one.command));
  const nameOf = (id: string) =>
    newcomers.find((one) => one.id === id)?.name ??
    client.getQueryData<StudentView[]>(["students"])?.find((one) => one.id === id)?.name ??
    client.getQueryData<StudentView>(["students", id])?.name ??
    "A student";
  const left = waitingWords(waiting.map((one) => one.command));
  const attention = `${waitingWords(refused.map((one) => one.command))} ${pluralOf(refused.length, "needs", "need")} attention`;
  const said = [
    ...(waiting.length > 0 ? [`${left} still to send`] : []),
    ...(refused.length > 0 ? [attention] : []),
    ...(unfinished.length > 0 ? [`${counted(unfinished.length, "set")} not finished`] : []),
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
              <Text fw={700}>{left} still to send</Text>
              <Text size="sm">
                {signedOut
                  ? "You are signed out. They wait here, and are sent when you sign in again."
                  : silent
                    ? "The server does not answer. They are kept here and sent as soon as it does."
                    : "They are being sent."}
              </Text>
              <ul>
                {waiting.map(({ command }) => (
                  <li key={command.id}>{commandWords(command, nameOf)}</li>
                ))}
              </ul>
              <Button variant="default" onClick={() => void outbox.flush()}>
                Send now
              </Button>
            </section>
          )}
          {refused.map((one) => (
            <section key={one.command.id} className={classes.refused}>
              <Text fw={700}>{commandWords(one.command, nameOf)}</Text>
              <Text>{one.refusal?.message}</Text>
              <Group mt="xs">
                <Button variant="default" onClick={() => void outbox.sendAgain(one)}>
                  Send again
                </Button>
                <Button variant="subtle" color="red" onClick={() => void outbox.discard(one)}>
                  {one.command.kind === "set" ? "Discard this set" : "Discard this"}
                </Button>
              </Group>
            </section>
          ))}
          {unfinished.length > 0 && (
            <Suspense fallback={<Text role="status">Opening …</Text>}>
              <LeftSets left={unfinished} nameOf={nameOf} onChange={look} onLeave={close} />
            </Suspense>
          )}
          {clockAheadSeconds !== 0 && (
            <section>
              <Text fw={700}>This device’s clock is {clockWords(clockAheadSeconds)}</Text>
              <Text size="sm">
                What you count is put at the right time all the same, as long as the clock is not changed
                before it is sent. Set it right in the device’s settings.
              </Text>
            </section>
          )}
          {waiting.length + refused.length + unfinished.length === 0 && (
            <Text>Nothing waits here; the server has everything.</Text>
          )}
        </Stack>
      </Modal>
    </>
  );
}
