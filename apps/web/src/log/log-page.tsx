import { LOG_KINDS, type LogLine, type LogPage as Page, type SetView } from "@mirrup/contract";
import { Button, Group, SegmentedControl, Select, Skeleton, Text, Title } from "@mantine/core";
import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { v7 as uuid } from "uuid";
import { useMayTeach } from "../account/index.js";
import { get, post, put } from "../app/api.js";
import { decisionWords } from "../app/decision-words.js";
import { countsWords, evidenceWords, loggedDrillWords } from "../app/drill-words.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { readAnew } from "../app/read-anew.js";
import { saveFile } from "../app/save-file.js";
import { byAnyName, skillOptions } from "../app/skill-options.js";
import { offerUndo, tellFault } from "../app/undo.js";
import { capital, dateWords, subjectName } from "../app/words.js";
import { useDecide } from "../students/index.js";
import { byDay, dayWords, howWords, logCsv, missesWords } from "./log-words.js";
import classes from "./log-page.module.css";

const KIND_NAMES = { set: "Sets", decision: "Decisions" } as const;

type Asked = Readonly<Partial<Record<"subject" | "kind", string>>>;

function pathOf(studentId: string, asked: Asked, before: string | null): string {
  const params = new URLSearchParams(before === null ? asked : { ...asked, before });
  return `/students/${studentId}/log?${params.toString()}`;
}

/** Everything that was counted and decided about a student, the newest first, page by page. */
export function LogPage() {
  const { studentId = "" } = useParams();
  const [params, setParams] = useSearchParams();
  const subject = params.get("skill");
  const kind = LOG_KINDS.find((one) => one === params.get("kind")) ?? null;
  const asked: Asked = { ...(subject === null ? {} : { subject }), ...(kind === null ? {} : { kind }) };
  const log = useInfiniteQuery({
    queryKey: ["students", studentId, "log", subject ?? "", kind ?? ""],
    queryFn: ({ pageParam, signal }) => get<Page>(pathOf(studentId, asked, pageParam), signal),
    initialPageParam: null as string | null,
    getNextPageParam: ({ next }) => next,
  });
  const ask = (name: string, value: string | null) =>
    setParams(
      (before) => {
        const changed = new URLSearchParams(before);
        if (value === null || value === "") changed.delete(name);
        else changed.set(name, value);
        return changed;
      },
      { replace: true },
    );
  const failure = failureOf(log);
  if (failure !== null) {
    return (
      <Fault title="The log could not be read" onRetry={() => void log.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  const lines = log.data?.pages.flatMap(({ items }) => items);
  return (
    <section className={classes.page}>
      <Group align="flex-end" gap="md">
        <Select
          label="Of"
          placeholder="every skill"
          size="md"
          searchable
          clearable
          filter={byAnyName}
          limit={40}
          clearButtonProps={{ "aria-label": "Of every skill" }}
          data={skillOptions()}
          value={subject}
          nothingFoundMessage="No skill has this name."
          onChange={(value) => ask("skill", value)}
        />
        <SegmentedControl
          aria-label="What is shown"
          value={kind ?? ""}
          data={[
            { value: "", label: "Everything" },
            ...LOG_KINDS.map((value) => ({ value, label: KIND_NAMES[value] })),
          ]}
          onChange={(value) => ask("kind", value)}
        />
        <SaveAll studentId={studentId} asked={asked} />
      </Group>
      {lines === undefined && <Skeleton height={320} />}
      {lines?.length === 0 && (
        <Text>
          {subject === null && kind === null
            ? "Nothing has been counted yet. The first set stands here as soon as it is."
            : "Nothing of this is in the log."}
        </Text>
      )}
      {byDay(lines ?? []).map(([day, own]) => (
        <section key={day} aria-label={dateWords(day)}>
          <Title order={2}>{dateWords(day)}</Title>
          <Text className={classes.quiet}>{dayWords(own)}</Text>
          <ul className={classes.lines}>
            {own.map((line) => (
              <Line
                key={line.kind === "set" ? line.set.id : line.decision.id}
                studentId={studentId}
                line={line}
              />
            ))}
          </ul>
        </section>
      ))}
      {log.hasNextPage && (
        <Group>
          <Button variant="default" loading={log.isFetchingNextPage} onClick={() => void log.fetchNextPage()}>
            Show earlier ones
          </Button>
        </Group>
      )}
    </section>
  );
}

/** The whole log that is asked for, as a table; read page by page. */
function SaveAll({ studentId, asked }: { readonly studentId: string; readonly asked: Asked }) {
  const [read, setRead] = useState(0);
  const save = useMutation({
    mutationFn: async () => {
      const lines: LogLine[] = [];
      for (let before: string | null = null, isFirst = true; isFirst || before !== null; isFirst = false) {
        const page: Page = await get<Page>(pathOf(studentId, asked, before));
        lines.push(...page.items);
        before = page.next;
        setRead(lines.length);
      }
      saveFile("log.csv", logCsv(lines), "text/csv;charset=utf-8");
    },
    onError: tellFault,
    onSettled: () => setRead(0),
  });
  return (
    <Button variant="default" size="md" disabled={save.isPending} onClick={() => save.mutate()}>
      {save.isPending ? `${read} lines read …` : "Save as CSV"}
    </Button>
  );
}

const timeOf = (at: string) =>
  new Date(at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });

function Line({ studentId, line }: { readonly studentId: string; readonly line: LogLine }) {
  if (line.kind === "decision") {
    const { subject, side, decision, reason, by, isVoided } = line.decision;
    return (
      <li data-voided={isVoided || undefined}>
        <span className={classes.time}>{timeOf(line.at)}</span>
        <div>
          <strong>{capital(subjectName(subject, side))}</strong>: {decisionWords(decision, subject)}
          <Text size="sm" className={classes.quiet}>
            {[by ?? "", reason, isVoided ? "Taken back." : ""].filter(Boolean).join(". ")}
          </Text>
        </div>
      </li>
    );
  }
  return (
    <li data-voided={line.isVoided || undefined}>
      <span className={classes.time}>{timeOf(line.at)}</span>
      <Counted studentId={studentId} set={line.set} isVoided={line.isVoided} />
    </li>
  );
}

interface CountedProps {
  readonly studentId: string;
  readonly set: SetView;
  readonly isVoided: boolean;
}

/** One set as it was counted, and what it counts for; it can be taken back, and counted again as it was. */
function Counted({ studentId, set, isVoided }: CountedProps) {
  const client = useQueryClient();
  const mayTeach = useMayTeach();
  const { decide, isPending } = useDecide(studentId);
  const { subject, side } = set;
  const misses = missesWords(set);
  const again = async () => {
    const { note, ...counts } = set;
    const copy = { ...counts, id: uuid() };
    try {
      await post("/sets", { sets: [copy] });
      if (note !== "") await put(`/students/${studentId}/notes`, { setId: copy.id, text: note });
      await readAnew(client, { topics: ["students"] });
    } catch (error) {
      tellFault(error);
    }
  };
  const takeBack = async () => {
    const decision = { kind: "void", target: set.id } as const;
    if (!(await decide({ subject, side, decision, reason: "" }))) return;
    offerUndo(`${capital(subjectName(subject, side))}: the set is taken back.`, () => void again());
  };
  return (
    <div className={classes.set}>
      <details>
        <summary>
          <strong>{capital(subjectName(subject, side))}</strong>, {loggedDrillWords(set.drill)}:{" "}
          {countsWords(set)}
          {isVoided && " (taken back)"}
        </summary>
        <Text size="sm">{howWords(set)}</Text>
        {misses !== null && <Text size="sm">{misses}</Text>}
        <Text size="sm">{isVoided ? "It counts for nothing." : evidenceWords(set)}</Text>
        {mayTeach && !isVoided && (
          <Button variant="subtle" px={4} disabled={isPending} onClick={() => void takeBack()}>
            Take it back
          </Button>
        )}
      </details>
      {set.note !== "" && <Text size="sm">“{set.note}”</Text>}
    </div>
  );
}
