import { Alert, Button, Group, Text } from "@mantine/core";
import type { UseFormReturnType } from "@mantine/form";
import { useCallback, useEffect, useRef, useState } from "react";
import { useParams } from "react-router";
import { dropUnsaved, keepUnsaved, unsavedOf } from "./unsaved.js";
import { usePersonId } from "./use-person-id.js";

export interface Unsaved<T> {
  /** What was typed before the page was loaded anew; null for nothing. */
  readonly found: T | null;
  /** Keeps what is typed now; null once it is saved or left. */
  readonly keep: (value: T | null) => void;
}

/** What was typed for another shape of the server's answers is not put into this one. */
const SHAPE = String(import.meta.env.VITE_SHAPE);

/** Keeps under a name what is typed and not saved; `example` is of its shape. */
export function useUnsaved<T>(what: string, example: T): Unsaved<T> {
  const personId = usePersonId();
  const { studioId = "" } = useParams();
  const name = `${studioId} ${what} ${SHAPE}`;
  const [found] = useState(() => unsavedOf(name, personId, example, sessionStorage));
  const keep = useCallback(
    (value: T | null) =>
      value === null ? dropUnsaved(name, sessionStorage) : keepUnsaved(name, personId, value, sessionStorage),
    [name, personId],
  );
  return { found, keep };
}

/** A text of one field. */
export function useUnsavedText(name: string): readonly [text: string, write: (text: string) => void] {
  const { found, keep } = useUnsaved(name, "");
  const [text, setText] = useState(found ?? "");
  const write = useCallback(
    (typed: string) => {
      setText(typed);
      keep(typed === "" ? null : typed);
    },
    [keep],
  );
  return [text, write];
}

/**
 * Keeps a form's values while they differ from what is saved, and puts back what was found. `about` says what they are a
 * change of: whoever saved in between is heard of as ever. Answers whether it still shows what was found.
 */
export function useUnsavedForm<V, A>(
  form: UseFormReturnType<V>,
  { found, keep }: Unsaved<{ readonly values: V; readonly about: A }>,
  about: A,
): { readonly isFound: boolean; readonly drop: () => void } {
  const [isFound, setFound] = useState(found !== null);
  const isBegun = useRef(false);
  const { values } = form;
  useEffect(() => {
    if (!isBegun.current && found !== null) {
      isBegun.current = true;
      form.setValues(found.values);
      return;
    }
    isBegun.current = true;
    keep(form.isDirty() ? { values, about } : null);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the form is a new object at each drawing; its values are not
  }, [values, about]);
  return {
    isFound: isFound && form.isDirty(),
    drop: () => {
      setFound(false);
      form.reset();
    },
  };
}

/** Says that something typed before stands in a form again, and is not saved yet. */
export function UnsavedNote({ onDrop }: { readonly onDrop: () => void }) {
  return (
    <Alert color="yellow" role="status">
      <Group justify="space-between" gap="xs">
        <Text>What you typed before is here again. It is not saved yet.</Text>
        <Button variant="default" size="compact-md" onClick={onDrop}>
          Discard it
        </Button>
      </Group>
    </Alert>
  );
}
