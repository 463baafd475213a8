import type { LessonView } from "@mirrup/contract";
import { TextInput } from "@mantine/core";
import type { useLesson } from "./use-lesson.js";
import classes from "./plan-page.module.css";

interface WhenProps {
  readonly lesson: LessonView;
  readonly save: ReturnType<typeof useLesson>["save"];
}

/** What the lesson is called, and when and where it is; kept together when the fields are left. */
export function When({ lesson, save }: WhenProps) {
  const { version, title, day, startTime, place } = lesson;
  const keep = (form: HTMLFormElement) => {
    const written = new FormData(form);
    const text = (name: string) => {
      const value = written.get(name);
      return typeof value === "string" ? value.trim() : "";
    };
    const begins = text("startTime").slice(0, 5);
    const next = {
      // An empty name or day leaves the one that is there.
      title: text("title") === "" ? title : text("title"),
      day: text("day") === "" ? day : text("day"),
      startTime: begins === "" ? null : begins,
      place: text("place"),
    };
    const isChanged =
      next.title !== title || next.day !== day || next.startTime !== startTime || next.place !== place;
    if (isChanged) save.mutate({ version, ...next });
  };
  return (
    <details>
      <summary>Name, day, hour and place</summary>
      <form
        className={classes.when}
        onBlur={(event) => {
          if (!event.currentTarget.contains(event.relatedTarget)) keep(event.currentTarget);
        }}
        onSubmit={(event) => {
          event.preventDefault();
          keep(event.currentTarget);
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
