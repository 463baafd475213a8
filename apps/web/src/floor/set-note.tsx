import { LONGEST_NOTE, type SetRequest } from "@mirrup/contract";
import { IconMicrophone } from "@tabler/icons-react";
import { useDebouncedCallback } from "@mantine/hooks";
import { useState } from "react";
import { draftNote, sayNote } from "../device/index.js";
import { useDictation } from "./use-dictation.js";
import classes from "./set-note.module.css";

/** A pause in typing. */
const PAUSE_MS = 700;

/** What is noted to a set just finished, typed or spoken; kept as it is written. */
export function SetNote({ set: { id, studentId } }: { readonly set: Pick<SetRequest, "id" | "studentId"> }) {
  const [text, setText] = useState("");
  const [kept, setKept] = useState("");
  const keep = useDebouncedCallback(
    (next: string) => {
      if (next === kept) return;
      sayNote({ studentId, setId: id, text: next });
      setKept(next);
    },
    { delay: PAUSE_MS, flushOnUnmount: true },
  );
  const write = (next: string) => {
    const short = next.slice(0, LONGEST_NOTE);
    setText(short);
    draftNote({ studentId, setId: id, text: short });
    keep(short);
  };
  const dictation = useDictation((heard) => write([text, heard].filter(Boolean).join(" ").trim()));
  return (
    <div className={classes.note}>
      <label className={classes.label} htmlFor={`note ${id}`}>
        Note to this set
      </label>
      <div className={classes.field}>
        <textarea
          id={`note ${id}`}
          className={classes.text}
          rows={2}
          maxLength={LONGEST_NOTE}
          placeholder="What to say, or to look at, next time"
          value={text}
          onChange={(event) => write(event.currentTarget.value)}
          onBlur={() => keep.flush()}
          onKeyDown={(event) => {
            // Enter goes on with the session, as everywhere on the floor; a new line takes Shift.
            if (event.key === "Escape" || (event.key === "Enter" && !event.shiftKey)) {
              event.preventDefault();
              event.stopPropagation();
              event.currentTarget.blur();
            }
          }}
        />
        {dictation.kind !== "none" && (
          <button
            type="button"
            className={classes.speak}
            aria-pressed={dictation.kind === "listening"}
            onClick={dictation.toggle}
          >
            <IconMicrophone size={22} aria-hidden />
            {dictation.kind === "listening" ? "Listening …" : "Dictate"}
          </button>
        )}
      </div>
      <p className={classes.state} role="status">
        {dictation.kind === "failed"
          ? "This browser hears nothing just now. Allow the microphone, or type."
          : text !== "" && text === kept
            ? "Kept. It stands on the floor the next time."
            : ""}
      </p>
    </div>
  );
}
