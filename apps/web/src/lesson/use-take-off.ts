import type { LessonView } from "@mirrup/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { post, remove } from "../app/api.js";
import { usePaths } from "../app/paths.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";

/** Takes a lesson off its day; undo puts it back as it was. */
export function useTakeOff() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const paths = usePaths();
  const readLessons = () => readAnew(client, { topics: ["lessons"] });
  return async ({ version: _version, progress: _progress, finishedAt: _finished, ...lesson }: LessonView) => {
    try {
      await remove(`/lessons/${lesson.id}`);
    } catch (error) {
      tellFault(error);
      return;
    }
    client.removeQueries({ queryKey: ["lessons", lesson.id] });
    await navigate(paths.today);
    await readLessons();
    offerUndo(`“${lesson.title}” is cancelled.`, () => {
      void post("/lessons", { lessons: [lesson] }).then(readLessons, tellFault);
    });
  };
}
