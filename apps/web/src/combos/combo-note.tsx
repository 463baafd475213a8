import { LONGEST_NOTE, type ComboView } from "@mirrup/contract";
import { Button, Group, Text, Textarea } from "@mantine/core";
import { useState } from "react";
import { useUnsaved } from "../device/index.js";
import { useMayTeach } from "../account/index.js";
import classes from "./combo.module.css";
import { useKeep } from "./use-keep.js";

interface Typed {
  readonly text: string;
  /** The note that it is a change of. */
  readonly over: string;
}

const NOTHING: Typed = { text: "", over: "" };

/** What is to be minded in a combo, to be written by a coach. */
export function ComboNote({ combo: { id, version, note } }: { readonly combo: ComboView }) {
  const { change } = useKeep();
  const mayTeach = useMayTeach();
  const unsaved = useUnsaved<Typed>(`combo-note ${id}`, NOTHING);
  const [typed, setTyped] = useState(unsaved.found);
  const write = (next: Typed | null) => {
    setTyped(next);
    unsaved.keep(next);
  };
  if (typed === null) {
    return (
      <div className={classes.note}>
        {note !== "" && <Text>{note}</Text>}
        {mayTeach && (
          <Button
            variant="subtle"
            size="compact-md"
            className={classes.noPrint}
            onClick={() => setTyped({ text: note, over: note })}
          >
            {note === "" ? "Write a note" : "Change the note"}
          </Button>
        )}
      </div>
    );
  }
  const leave = () => write(null);
  return (
    <form
      className={classes.note}
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate({ id, version, note: typed.text.trim() }, { onSuccess: leave });
      }}
    >
      <Textarea
        label="Note"
        description="What to mind: it stands on the floor whenever the combo is learned."
        data-autofocus
        autosize
        minRows={2}
        maxLength={LONGEST_NOTE}
        value={typed.text}
        onChange={(event) => write({ ...typed, text: event.currentTarget.value })}
        onKeyDown={(event) => event.key === "Escape" && leave()}
      />
      {note !== typed.over && (
        <Text role="alert">
          {note === ""
            ? "Somebody else took the note away meanwhile."
            : `Somebody else wrote meanwhile: “${note}”.`}{" "}
          Saving puts yours in its place.
        </Text>
      )}
      <Group gap="xs" mt="xs">
        <Button type="submit" loading={change.isPending}>
          Save the note
        </Button>
        <Button variant="subtle" onClick={leave}>
          Cancel
        </Button>
      </Group>
    </form>
  );
}
