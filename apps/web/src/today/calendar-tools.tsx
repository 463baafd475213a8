import type { Items, LessonView, NewLesson, StudentView } from "@mirrup/contract";
import { Button, FileButton, Group, Text, Title } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { counted } from "../app/plural.js";
import { get, remove } from "../app/api.js";
import { usePaths } from "../app/paths.js";
import { readAnew } from "../app/read-anew.js";
import { saveFile } from "../app/save-file.js";
import { offerUndo, tellFault } from "../app/undo.js";
import { listWords } from "../app/words.js";
import { calendarFile, lessonFile, readCalendarFile } from "../lesson/index.js";
import { groupsQuery, studioQuery } from "../students/index.js";
import { dayAfter } from "@mirrup/core";
import { useAddLessons } from "./use-add-lessons.js";
import classes from "./today-page.module.css";

/** Eight weeks back and ahead: what a calendar is asked for. */
const DAYS = 56;

interface CalendarToolsProps {
  readonly today: string;
  readonly students: readonly StudentView[];
  readonly mayTeach: boolean;
}

/** Lessons to a calendar's file and from one, and a plan from its file. */
export function CalendarTools({ today, students, mayTeach }: CalendarToolsProps) {
  const client = useQueryClient();
  const paths = usePaths();
  const navigate = useNavigate();
  const { add } = useAddLessons();
  const take = async (lessons: readonly NewLesson[], done: string) => {
    if (!(await add(lessons))) return false;
    offerUndo(done, () => {
      void Promise.all(lessons.map(({ id }) => remove(`/lessons/${id}`)))
        .then(() => readAnew(client, { topics: ["lessons"] }))
        .catch(tellFault);
    });
    return true;
  };
  const save = useMutation({
    mutationFn: async () => {
      const { writeCalendar } = await calendarFile();
      const [from, to] = [dayAfter(today, -DAYS), dayAfter(today, DAYS)];
      const { items } = await get<Items<LessonView>>(`/lessons?from=${from}&to=${to}`);
      if (items.length === 0) throw new Error("There is no lesson to save yet. Plan one first.");
      saveFile("lessons.ics", writeCalendar(items, new Date()), "text/calendar;charset=utf-8");
    },
    onError: tellFault,
  });
  const readDays = useMutation({
    mutationFn: async (file: File) => {
      const groups = await client.query({ ...groupsQuery, staleTime: "static" });
      const { timeZone } = await client.query({ ...studioQuery, staleTime: "static" });
      const read = await readCalendarFile(await file.text(), { groups, timeZone, today, days: DAYS });
      if (!read.ok) throw new Error(read.message);
      const many = counted(read.lessons.length, "lesson is", "lessons are");
      const left =
        read.unread === 0
          ? ""
          : ` ${counted(read.unread, "event without a readable day was", "events without a readable day were")} left out.`;
      await take(read.lessons, `${many} added from the calendar.${left}`);
    },
    onError: tellFault,
  });
  const readPlan = useMutation({
    mutationFn: async (file: File) => {
      const { readLesson } = await lessonFile();
      const read = readLesson(await file.text(), students, today);
      if (!read.ok) throw new Error(read.message);
      const { lesson, unknown } = read;
      const left = unknown.length === 0 ? "" : ` Not in this studio, and left out: ${listWords(unknown)}.`;
      if (await take([lesson], `The plan “${lesson.title}” was added, for today.${left}`)) {
        await navigate(paths.lessonPlan(lesson.id));
      }
    },
    onError: tellFault,
  });
  return (
    <section>
      <Title order={2} className={classes.coming}>
        Files
      </Title>
      <Group gap="xs">
        <Button variant="default" size="md" loading={save.isPending} onClick={() => save.mutate()}>
          Save the lessons as a calendar
        </Button>
        {mayTeach && (
          <>
            <FileButton
              accept=".ics,text/calendar"
              onChange={(file) => file !== null && readDays.mutate(file)}
            >
              {(props) => (
                <Button variant="default" size="md" loading={readDays.isPending} {...props}>
                  Read a calendar
                </Button>
              )}
            </FileButton>
            <FileButton
              accept=".json,application/json"
              onChange={(file) => file !== null && readPlan.mutate(file)}
            >
              {(props) => (
                <Button variant="default" size="md" loading={readPlan.isPending} {...props}>
                  Read a plan’s file
                </Button>
              )}
            </FileButton>
          </>
        )}
      </Group>
      <Text className={classes.quiet} mt="xs">
        Calendars are iCalendar files (.ics); an event of a group’s name becomes that group’s lesson.
      </Text>
    </section>
  );
}
