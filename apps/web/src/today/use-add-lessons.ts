import type { Items, LessonView, NewLesson } from "@mirrup/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { post } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { tellFault } from "../app/undo.js";

/** Puts lessons into the studio's days; one that is there already stays as it is. */
export function useAddLessons() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const send = useMutation({
    mutationFn: (lessons: readonly NewLesson[]) => post<Items<LessonView>>("/lessons", { lessons }),
    onError: tellFault,
    onSuccess: () => readAnew(client, { topics: ["lessons"] }),
  });
  const add = (lessons: readonly NewLesson[]) =>
    send.mutateAsync(lessons).then(
      () => true,
      () => false,
    );
  return {
    add,
    addAndOpen: async (lesson: NewLesson, path: string) => {
      if (await add([lesson])) await navigate(path);
    },
    isPending: send.isPending,
  };
}
