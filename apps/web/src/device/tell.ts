/** How the server is told what was said, and what its answer changes of what was read. */
import type {
  DecisionsReply,
  FloorView,
  Health,
  LessonView,
  JumpRequest,
  NoteRequest,
  SetRequest,
  SetsReply,
  StudentView,
} from "@mirrup/contract";
import type { QueryClient, QueryKey } from "@tanstack/react-query";
import { get, isProblem, patch, post, put, remove } from "../app/api.js";
import { byServerClock, knowsServerClock } from "../app/server-clock.js";
import { readFloor } from "../app/read-floor.js";
import { readAnew } from "../app/read-anew.js";
import { isOfKind, type Command } from "./command.js";

/** How long an answer is waited for, and in which studio it is told. */
interface Telling {
  readonly longestMs: number;
  readonly studio: string;
}

const LONGEST_READ_MS = 2000;
/** Whoever said something goes on from what is then; what takes long to read holds up nothing else. */
async function orRest(read: Promise<void>): Promise<void> {
  await Promise.race([read, new Promise((resolve) => setTimeout(resolve, LONGEST_READ_MS))]);
}

/** When something was said, by the server's clock; it is asked for where no answer has told it yet. */
async function instantOf(at: string, { longestMs }: Telling): Promise<string> {
  if (!knowsServerClock()) await get<Health>("/health", AbortSignal.timeout(longestMs));
  return byServerClock(at);
}

async function tellSets(
  client: QueryClient,
  batch: readonly Command<"set">[],
  manner: Telling,
): Promise<SetsReply> {
  const sets = batch.map((one) => one.set);
  const reply = await post<SetsReply>("/sets", { sets, sentAt: new Date().toISOString() }, manner);
  await orRest(readAfter(client, sets));
  return reply;
}

/** Reads anew what sets changed; of one student whom a page shows, in one answer. */
async function readAfter(client: QueryClient, sets: readonly SetRequest[]): Promise<void> {
  const studentIds = [...new Set(sets.map((set) => set.studentId))];
  const [studentId = ""] = studentIds;
  const last = sets.at(-1);
  const isShown =
    client.getQueryCache().findAll({ queryKey: ["students", studentId], type: "active" }).length > 0;
  if (studentIds.length > 1 || last === undefined || !isShown)
    return readAnew(client, { topics: ["students"], studentIds });
  const { subject, side } = last;
  const asked = new URLSearchParams({ subject, side }).toString();
  return readFloor(client, studentId, { subject, side }, () =>
    get<FloorView>(`/students/${studentId}/floor?${asked}`),
  );
}

async function tellStop(
  client: QueryClient,
  { studentId, stops, at }: Command<"stop">,
  manner: Telling,
): Promise<void> {
  const path = `/students/${studentId}/stop`;
  const tapped = { at: await instantOf(at, manner) };
  await (stops ? put(path, tapped, manner) : remove(path, tapped, manner));
  const isStored = (one: StudentView) => (one.id === studentId ? { ...one, hasStopped: stops } : one);
  client.setQueryData<StudentView[]>(["students"], (all) => all?.map(isStored));
  client.setQueryData<StudentView>(["students", studentId], (one) => one && isStored(one));
  void readAnew(client, { topics: ["students"], studentIds: [studentId] });
}

async function tellNote(
  client: QueryClient,
  { studentId, setId, text, at }: Command<"note">,
  manner: Telling,
): Promise<void> {
  const note: NoteRequest = { setId, text, at: await instantOf(at, manner) };
  await put(`/students/${studentId}/notes`, note, manner);
  // A set is of a side, or of a combo.
  const isOfSets = ({ queryKey: [, , part] }: { readonly queryKey: QueryKey }) =>
    part === "sets" || part === "combo-sets";
  void client.invalidateQueries({ queryKey: ["students", studentId], predicate: isOfSets });
}

async function tellStudent(
  client: QueryClient,
  { studentId, name }: Command<"student">,
  manner: Telling,
): Promise<void> {
  try {
    await post("/students", { id: studentId, name }, manner);
  } catch (error) {
    // Told before, and somebody has written more of them since.
    if (!isProblem(error) || error.problem.type !== "added-already") throw error;
  }
  await orRest(readAnew(client, { topics: ["students", "groups"], studentIds: [studentId] }));
}

async function tellJump(
  client: QueryClient,
  { studentId, jump, removed, at }: Command<"jump">,
  manner: Telling,
): Promise<void> {
  const said: JumpRequest = { ...jump, removed, at: await instantOf(at, manner) };
  await put(`/students/${studentId}/jumps`, said, manner);
  void client.invalidateQueries({ queryKey: ["students", studentId, "jumps"] });
}

async function tellRun(
  client: QueryClient,
  { lessonId, run, at }: Command<"lesson">,
  manner: Telling,
): Promise<void> {
  const body = { ...run, at: await instantOf(at, manner) };
  const lesson = await patch<LessonView>(`/lessons/${lessonId}/run`, body, manner);
  const queryKey = ["lessons", lessonId];
  // What is on its way was asked before, or knows of what came after: it is asked once more either way.
  const isAsked = client.isFetching({ queryKey, exact: true }) > 0;
  await client.cancelQueries({ queryKey, exact: true });
  client.setQueryData(queryKey, lesson);
  if (isAsked) void client.invalidateQueries({ queryKey, exact: true });
  const isOld = ([, of, part]: QueryKey) => of !== lessonId || part === "done";
  void client.invalidateQueries({ queryKey: ["lessons"], predicate: ({ queryKey }) => isOld(queryKey) });
}

async function tellDecisions(
  client: QueryClient,
  { studentId, decisions }: Command<"decide">,
  manner: Telling,
): Promise<void> {
  await post<DecisionsReply>("/decisions", { decisions, sentAt: new Date().toISOString() }, manner);
  void client.invalidateQueries({ queryKey: ["studio", "audit"] });
  await orRest(readAnew(client, { topics: ["students"], studentIds: [studentId] }));
}

/** Tells the server in the name of the studio in which it was said, whatever studio is open by now. */
export async function tell(
  client: QueryClient,
  batch: readonly Command[],
  longestMs: number,
): Promise<SetsReply | null> {
  const [first] = batch;
  if (first === undefined) return null;
  const manner = { longestMs, studio: first.sender.studioId };
  switch (first.kind) {
    case "set":
      return tellSets(
        client,
        batch.filter((one) => isOfKind(one, "set")),
        manner,
      );
    case "stop":
      await tellStop(client, first, manner);
      return null;
    case "note":
      await tellNote(client, first, manner);
      return null;
    case "student":
      await tellStudent(client, first, manner);
      return null;
    case "jump":
      await tellJump(client, first, manner);
      return null;
    case "lesson":
      await tellRun(client, first, manner);
      return null;
    case "decide":
      await tellDecisions(client, first, manner);
      return null;
  }
}
