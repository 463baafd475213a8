import type { OverlayEntry } from "@mirrup/core";
import type { UseFormReturnType } from "@mantine/form";
import { useState } from "react";
import { isProblem, isStale } from "../app/api.js";
import { useUnsavedForm, type Unsaved } from "../device/index.js";
import { useSkillChange } from "./use-skill-change.js";

/** What a form is a change of: how the studio had it when the form was opened. */
export interface EntryAbout {
  readonly subject: string;
  readonly was: OverlayEntry | null;
}

export interface Opened<V> {
  readonly values: V;
  readonly about: EntryAbout;
}

function entriesIn(current: unknown): Readonly<Record<string, OverlayEntry>> | null {
  if (typeof current !== "object" || current === null || !("entries" in current)) return null;
  return current.entries as Readonly<Record<string, OverlayEntry>>;
}

/**
 * A form of something that the studio teaches in its own way. What is typed is kept until it is saved; what somebody else
 * saved since the form was opened is not written over unseen.
 */
export function useEntryForm<V>(
  form: UseFormReturnType<V>,
  unsaved: Unsaved<Opened<V>>,
  opened: Opened<V>,
  onDone: (subject: string) => void,
) {
  const [about, setAbout] = useState<EntryAbout>({ ...opened.about, ...unsaved.found?.about });
  const { isFound, drop } = useUnsavedForm(form, unsaved, about);
  const { subject, was } = about;
  const change = useSkillChange(() => {
    unsaved.keep(null);
    onDone(subject);
  });
  const { error } = change;
  return {
    about,
    isFound,
    drop: () => {
      drop();
      setAbout({ subject, was: opened.about.was });
    },
    isPending: change.isPending,
    /** Why it is not saved; null where it is, or was not tried. */
    refusal:
      error === null
        ? null
        : `${error.message}${isStale(error) ? " Saving again puts yours in its place." : ""}`,
    /** Null for how it ships. */
    save: (is: OverlayEntry | null, done: string) =>
      change.mutate(
        { changes: [{ subject, was, is }], done },
        {
          onError: (refusal) => {
            const theirs = isProblem(refusal) && isStale(refusal) ? entriesIn(refusal.problem.current) : null;
            if (theirs !== null) setAbout({ subject, was: theirs[subject] ?? null });
          },
        },
      ),
  };
}
