import type { LessonChange, LessonRun, LessonView } from "@mirrup/contract";
import type { Precaution } from "@mirrup/core/planning";
import { useMutation, useQuery, useQueryClient, type QueryKey } from "@tanstack/react-query";
import { v7 as uuid } from "uuid";
import { patch, SilenceError } from "../app/api.js";
import { sayNewcomer, sayOfLesson, useRun, useStops } from "../device/index.js";
import { withRun } from "./hall.js";
import { classOptionsQuery, lessonQuery } from "./queries.js";

/** Asks again until the server answers, whatever it says. */
const UNTIL_HEARD = {
  retry: (_count: number, error: Error) => error instanceof SilenceError,
  retryDelay: 4000,
  networkMode: "always",
} as const;

/**
 * A lesson in the hall: every tap is on the device at once, and sent until the server has it, so that
 * none is lost with the network.
 */
export function useLesson(id: string) {
  const client = useQueryClient();
  const stored = useQuery(lessonQuery(id));
  const waiting = useRun(id);
  const take = (lesson: LessonView) => {
    client.setQueryData(lessonQuery(id).queryKey, lesson);
    const isOld = ([, of, part]: QueryKey) => of !== id || part === "done";
    void client.invalidateQueries({ queryKey: ["lessons"], predicate: ({ queryKey }) => isOld(queryKey) });
  };
  const save = useMutation({
    mutationFn: (change: LessonChange) => patch<LessonView>(`/lessons/${id}`, change),
    onSuccess: take,
    ...UNTIL_HEARD,
  });
  const { data } = stored;
  return {
    ...stored,
    lesson: data === undefined || waiting === null ? data : withRun(data, waiting),
    run: (run: LessonRun) => sayOfLesson(id, run),
    /** Takes in somebody whom the studio does not know, and who is here. */
    add: (name: string) => sayNewcomer(id, { id: uuid(), name }),
    save,
  };
}

/**
 * What the students of a lesson could do, and whether jumping has ended for them; asked of those whom the server has in
 * it: whoever joined on this device alone would be missed by a question that comes before them.
 */
export function useClassOptions(
  { lesson, data }: Pick<ReturnType<typeof useLesson>, "lesson" | "data">,
  missing: readonly Precaution[] = lesson?.plan?.asked.missing ?? [],
) {
  const options = useQuery({
    ...classOptionsQuery(data ?? { id: "", students: [] }, missing),
    enabled: data !== undefined,
  });
  const isStopped = useStops();
  return {
    ...options,
    data: options.data?.map((one) => ({ ...one, hasStopped: isStopped(one.id, one.hasStopped) })),
  };
}
