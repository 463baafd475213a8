import type { StandingItem } from "@mirrup/contract";
import type { Gate } from "@mirrup/core";
import { Button, Group, TextInput } from "@mantine/core";
import { useState, type SyntheticEvent } from "react";
import { GateField } from "../app/gate-field.js";
import { gateWords, subjectName } from "../app/words.js";
import { useUnsavedText } from "../device/index.js";
import { useDecide, type Deciding } from "../students/index.js";
import classes from "./skill-panel.module.css";

type Kind = "clear" | "reopen" | "override";

interface DecideFormProps {
  readonly studentId: string;
  readonly item: StandingItem;
}

/** Clears, reopens or sets the gate by hand, with a reason; every decision can be undone. */
export function DecideForm({ studentId, item }: DecideFormProps) {
  const { subject, side, status, gate } = item;
  const { decide, isPending } = useDecide(studentId);
  const [kind, setKind] = useState<Kind | null>(null);
  const [reason, setReason] = useUnsavedText(`reason ${studentId} ${subject} ${side}`);
  const [set, setGate] = useState<Gate>(gate);
  const isCleared = status === "cleared" || status === "rusty";
  const what = subjectName(subject, side);

  const log = async (deciding: Deciding) => {
    if (await decide(deciding)) {
      setKind(null);
      setReason("");
    }
  };
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    const words = reason.trim();
    if (words === "" || kind === null) return;
    const base = { subject, side, reason: words };
    switch (kind) {
      case "clear":
        void log({ ...base, decision: { kind, count: null }, done: `Cleared by hand: ${what}.` });
        return;
      case "reopen":
        void log({ ...base, decision: { kind }, done: `Reopened: ${what}.` });
        return;
      case "override": {
        void log({
          ...base,
          side: "whole",
          decision: { kind, gate: set },
          done: `The gate of ${subjectName(subject, "whole")} is ${gateWords(set)} now.`,
        });
      }
    }
  };
  if (kind === null) {
    return (
      <Group gap={6} mt="xs">
        <Button variant="subtle" size="compact-md" onClick={() => setKind(isCleared ? "reopen" : "clear")}>
          {isCleared ? "Reopen" : "Clear by hand"}
        </Button>
        <Button variant="subtle" size="compact-md" onClick={() => setKind("override")}>
          Set the gate
        </Button>
      </Group>
    );
  }
  return (
    <form onSubmit={submit} className={classes.decide} aria-label={`Decide about ${what}`}>
      {kind === "override" && <GateField value={set} onChange={setGate} />}
      <TextInput
        label="Reason"
        placeholder="In a few words"
        maxLength={500}
        data-autofocus
        value={reason}
        onChange={(event) => setReason(event.currentTarget.value)}
      />
      <Group gap={6} mt={6}>
        <Button type="submit" size="compact-md" disabled={reason.trim() === ""} loading={isPending}>
          {kind === "clear" ? "Clear" : kind === "reopen" ? "Reopen" : "Set"}
        </Button>
        <Button variant="default" size="compact-md" onClick={() => setKind(null)}>
          Cancel
        </Button>
        {kind === "override" && (
          <Button
            variant="subtle"
            size="compact-md"
            onClick={() =>
              void log({
                subject,
                side: "whole",
                decision: { kind: "override", gate: null },
                reason: reason.trim() === "" ? "Back to the school’s gate." : reason.trim(),
                done: `${subjectName(subject, "whole")} has the school’s gate again.`,
              })
            }
          >
            The school’s
          </Button>
        )}
      </Group>
    </form>
  );
}
