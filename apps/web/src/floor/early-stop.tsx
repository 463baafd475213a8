import { CAUTIONS } from "@mirrup/catalogue";
import type { Done } from "@mirrup/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { put, remove } from "../app/api.js";
import classes from "./floor.module.css";

const RETRY_MS = 5000;

/** Ends a student's jumping for today, and begins it again; tried until the server has it. */
function useEarlyStop(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (stops: boolean) =>
      stops ? put<Done>(`/students/${studentId}/stop`) : remove<Done>(`/students/${studentId}/stop`),
    retry: true,
    retryDelay: RETRY_MS,
    onSettled: () => client.invalidateQueries({ queryKey: ["students"] }),
  });
}

/** Whether jumping has ended for a student today: what was pressed counts at once, the server is told as soon as it answers. */
export function useStopped(studentId: string, isStored: boolean) {
  const stop = useEarlyStop(studentId);
  const isPressed =
    stop.variables !== undefined && (stop.isPending || stop.isSuccess) ? stop.variables : undefined;
  return { hasStopped: isPressed ?? isStored, press: (stops: boolean) => stop.mutate(stops) };
}

interface StoppedProps {
  readonly name: string;
  readonly isSent: boolean;
  readonly onTakeBack: () => void;
}

/** In place of the floor: jumping has ended for this student today. */
export function Stopped({ name, isSent, onTakeBack }: StoppedProps) {
  return (
    <div className={classes.stopped} role="alert">
      <h2>Jumping ends for {name === "" ? "this student" : name} today</h2>
      <p>{CAUTIONS.pain}</p>
      <p>
        Only that it ended early is kept, not why.
        {!isSent && " The server does not have it yet; leave this page open until it answers."}
      </p>
      <button type="button" className={classes.small} onClick={onTakeBack}>
        It was pressed by mistake
      </button>
    </div>
  );
}
