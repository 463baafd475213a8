/**
 * Jumping that ended early, pressed on this device. Of an earlier day nothing is told: it was about that day, and
 * the server would take it for today.
 */
import type { StudentView } from "@mirrup/contract";
import { localDate } from "@mirrup/core";
import { put, remove } from "../app/api.js";
import { queryClient } from "../app/query-client.js";
import { pressedOf, type WaitingStop } from "./pressed.js";
import { currentSender, isOf } from "./sender.js";
import { hasKeys, WaitingList } from "./waiting-list.js";

const today = () => localDate(Date.now(), new Intl.DateTimeFormat().resolvedOptions().timeZone);

export const stops = new WaitingList<WaitingStop>({
  key: "mirrup-stops",
  isItem: (value): value is WaitingStop => hasKeys(value, ["studentId", "stops", "day", "sender"]),
  isDue: () => {
    const day = today();
    return (stop) => stop.day === day;
  },
  send: async ({ studentId, stops: isStop }) => {
    const path = `/students/${studentId}/stop`;
    await (isStop ? put(path) : remove(path));
    const isStored = (one: StudentView) => (one.id === studentId ? { ...one, hasStopped: isStop } : one);
    queryClient.setQueryData<StudentView[]>(["students"], (all) => all?.map(isStored));
    queryClient.setQueryData<StudentView>(["students", studentId], (one) => one && isStored(one));
    await queryClient.invalidateQueries({ queryKey: ["students"] });
  },
});

export const pressedToday = (waiting: readonly WaitingStop[], studentId: string) =>
  pressedOf(waiting, currentSender(), today(), studentId);

/** Ends a student's jumping for today, or takes that back: at once here, and with the server as soon as it answers. */
export function pressStop(studentId: string, isStop: boolean): void {
  const sender = currentSender();
  if (sender === null) return;
  stops.put(
    { studentId, stops: isStop, day: today(), sender },
    (other) => other.studentId === studentId && isOf(sender, other.sender),
  );
}
