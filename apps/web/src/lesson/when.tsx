import type { LessonView } from "@mirrup/contract";
import { TextInput } from "@mantine/core";
import { useEffect, useRef } from "react";
import type { useLesson } from "./use-lesson.js";
import classes from "./plan-page.module.css";

interface WhenProps {
  readonly lesson: LessonView;
  readonly save: ReturnType<typeof useLesson>["save"];
}

const FIELDS = ["title", "day", "startTime", "place"] as const;

function writtenIn(form: HTMLFormElement): Readonly<Record<(typeof FIELDS)[number], string>> {
  const written = new FormData(form);
  const text = (name: string) => {
    const value = written.get(name);
    return typeof value === "string" ? value.trim() : "";
  };
  const startTime = text("startTime").slice(0, 5);
  return { title: text("title"), day: text("day"), startTime, place: text("place") };
}

/**
 * What the lesson is called, and when and where it is; kept together when the fields are left. Only what was changed
 * here is sent: what a colleague changes meanwhile stays, and stands in the fields.
 */
export function When({ lesson, save }: WhenProps) {
  const { version, title, day, startTime, place } = lesson;
  const form = useRef<HTMLFormElement>(null);
  const entered = useRef<ReturnType<typeof writtenIn>>(null);
  useEffect(() => {
    if (entered.current === null) form.current?.reset();
  }, [title, day, startTime, place]);
  const keep = (fields: HTMLFormElement) => {
    const before = entered.current;
    const now = writtenIn(fields);
    entered.current = null;
    if (before === null) return;
    const changed = FIELDS.filter((field) => now[field] !== before[field]);
    // An empty name or day leaves the one that is there.
    const said = changed.filter((field) => now[field] !== "" || field === "startTime" || field === "place");
    if (said.length < changed.length) fields.reset();
    if (said.length === 0) return;
    const change = Object.fromEntries(
      said.map((field) => [field, field === "startTime" && now[field] === "" ? null : now[field]]),
    );
    save.mutate({ version, ...change });
  };
  return (
    <details>
      <summary>Name, day, hour and place</summary>
      <form
        ref={form}
        className={classes.when}
        onFocus={(event) => {
          entered.current ??= writtenIn(event.currentTarget);
        }}
        onBlur={(event) => {
          if (!event.currentTarget.contains(event.relatedTarget)) keep(event.currentTarget);
        }}
        onSubmit={(event) => {
          event.preventDefault();
          keep(event.currentTarget);
          entered.current = writtenIn(event.currentTarget);
        }}
      >
        <TextInput name="title" label="Name" size="md" w={220} maxLength={120} defaultValue={title} />
        <TextInput name="day" type="date" label="Day" size="md" defaultValue={day} />
        <TextInput name="startTime" type="time" label="Begins" size="md" defaultValue={startTime ?? ""} />
        <TextInput name="place" label="Where" size="md" w={200} maxLength={120} defaultValue={place} />
        <button type="submit" hidden />
      </form>
    </details>
  );
}
