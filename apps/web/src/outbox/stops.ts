/**
 * Jumping that ended early, pressed on this device: it is on the device before the server is told and stays until
 * the server has it, whatever page is open by then. Of an earlier day nothing is told: it was about that day.
 */
import { localDate } from "@mirrup/core";
import { isProblem, isSignedOut, put, remove } from "../app/api.js";
import { queryClient } from "../app/query-client.js";
import { isPassing } from "./passing.js";
import { pressedOf, type WaitingStop } from "./pressed.js";
import { currentSender, isOf, onSenderChange } from "./sender.js";

const KEPT = "mirrup-stops";
const RETRY_MS = 5000;

const today = () => localDate(Date.now(), new Intl.DateTimeFormat().resolvedOptions().timeZone);

function isStop(value: unknown): value is WaitingStop {
  return (
    typeof value === "object" &&
    value !== null &&
    ["studentId", "stops", "day", "sender"].every((key) => key in value)
  );
}

function kept(): readonly WaitingStop[] {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(KEPT) ?? "[]");
    return Array.isArray(value) ? value.filter(isStop) : [];
  } catch {
    return [];
  }
}

let all: readonly WaitingStop[] = kept();
const listeners = new Set<() => void>();
let onRefused: (error: unknown) => void = () => undefined;
let retry: ReturnType<typeof setTimeout> | undefined;
let sending: Promise<void> = Promise.resolve();

function keep(next: readonly WaitingStop[]): void {
  all = next;
  try {
    localStorage.setItem(KEPT, JSON.stringify(next));
  } catch {
    // A browser that keeps nothing still stops and sends while the page is open.
  }
  listeners.forEach((listener) => listener());
}

export const stopsWaiting = (): readonly WaitingStop[] => all;

export function onStopsChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const pressedToday = (waiting: readonly WaitingStop[], studentId: string) =>
  pressedOf(waiting, currentSender(), today(), studentId);

/** Ends a student's jumping for today, or takes that back: at once here, and with the server as soon as it answers. */
export function pressStop(studentId: string, stops: boolean): void {
  const sender = currentSender();
  if (sender === null) return;
  const others = all.filter((one) => one.studentId !== studentId || !isOf(sender, one.sender));
  keep([...others, { studentId, stops, day: today(), sender }]);
  void sendStops();
}

async function send(stop: WaitingStop): Promise<boolean> {
  const path = `/students/${stop.studentId}/stop`;
  try {
    await (stop.stops ? put(path) : remove(path));
  } catch (error) {
    if (isSignedOut(error) || !isProblem(error) || isPassing(error.problem)) return false;
    // It will be refused again, however often it is sent.
    onRefused(error);
  }
  keep(all.filter((one) => one !== stop));
  await queryClient.invalidateQueries({ queryKey: ["students"] });
  return true;
}

async function sendAll(): Promise<void> {
  clearTimeout(retry);
  const [day, sender] = [today(), currentSender()];
  if (all.some((one) => one.day !== day)) keep(all.filter((one) => one.day === day));
  for (const stop of all.filter((one) => isOf(sender, one.sender))) {
    if (await send(stop)) continue;
    retry = setTimeout(() => void sendStops(), RETRY_MS);
    return;
  }
}

/** Tells the server what waits, after whatever is being told already. */
export function sendStops(): Promise<void> {
  sending = sending.then(sendAll, sendAll);
  return sending;
}

/** Begins to tell: now, whenever the network comes back, and when someone signs in; says what is refused for good. */
export function startStops(tell: (error: unknown) => void): void {
  onRefused = tell;
  window.addEventListener("online", () => void sendStops());
  // Another window of this device has pressed, or has been heard.
  window.addEventListener("storage", ({ key }) => {
    if (key !== KEPT) return;
    all = kept();
    listeners.forEach((listener) => listener());
  });
  onSenderChange(() => void sendStops());
  void sendStops();
}
