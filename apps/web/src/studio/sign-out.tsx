import type { Done } from "@mirrup/contract";
import { Button, Group, Modal, Text } from "@mantine/core";
import { useState } from "react";
import { useNavigate } from "react-router";
import { counted, pluralOf } from "../app/plural.js";
import { post } from "../app/api.js";
import { dropAllUnsaved, forgetReadings, useLeftRuns, useOutbox, waitingWords } from "../device/index.js";

type Way = "sign-out" | "sign-out-everywhere";
const WAYS: readonly (readonly [Way, string])[] = [
  ["sign-out", "Sign out"],
  ["sign-out-everywhere", "Sign out everywhere"],
];
/** Whoever leaves waits no longer than that to be told that nobody answers. */
const LONGEST_MS = 10_000;

/** Signing out, after a warning where something of one's own still waits on the device. */
export function SignOut() {
  const navigate = useNavigate();
  const { waiting } = useOutbox();
  const { left } = useLeftRuns();
  const [asked, setAsked] = useState<Way | null>(null);
  const [leaving, setLeaving] = useState<Way | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const leave = async (way: Way) => {
    setLeaving(way);
    setRefusal(null);
    try {
      await post<Done>(`/auth/${way}`, {}, { longestMs: LONGEST_MS });
      dropAllUnsaved(sessionStorage);
      await forgetReadings();
      await navigate("/sign-in", { replace: true });
    } catch (error) {
      setAsked(null);
      setRefusal(error instanceof Error ? error.message : null);
      setLeaving(null);
    }
  };
  const ask = (way: Way) => (waiting.length + left.length > 0 ? setAsked(way) : void leave(way));
  return (
    <>
      <Group>
        {WAYS.map(([way, name]) => (
          <Button
            key={way}
            {...{ size: "md", variant: "default", loading: leaving === way, disabled: leaving !== null }}
            onClick={() => ask(way)}
          >
            {name}
          </Button>
        ))}
        {refusal !== null && <Text role="alert">{refusal}</Text>}
      </Group>
      <Modal
        opened={asked !== null}
        onClose={() => setAsked(null)}
        title={waiting.length > 0 ? "Not everything is sent" : "Not everything is finished"}
        closeButtonProps={{ "aria-label": "Close" }}
      >
        {waiting.length > 0 && (
          <Text>
            {waitingWords(waiting.map((one) => one.command))} {pluralOf(waiting.length, "waits", "wait")} on
            this device still, and {pluralOf(waiting.length, "is", "are")} sent when you sign in again on it.
          </Text>
        )}
        {left.length > 0 && (
          <Text>
            {counted(left.length, "set that was counted here is", "sets that were counted here are")} not
            finished. {pluralOf(left.length, "It stays", "They stay")} on this device alone, until you sign in
            on it again.
          </Text>
        )}
        <Group mt="md">
          <Button loading={leaving !== null} onClick={() => asked !== null && void leave(asked)}>
            Sign out all the same
          </Button>
          <Button variant="default" onClick={() => setAsked(null)}>
            Stay
          </Button>
        </Group>
      </Modal>
    </>
  );
}
