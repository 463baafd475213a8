import {
  LOG_KINDS,
  LONGEST_LOG_TEXT,
  logLineId,
  type LogLine as Line,
  type LogPage as Page,
} from "@mirrup/contract";
import { Button, Group, Select, Skeleton, Text, TextInput, Title } from "@mantine/core";
import { useDebouncedCallback } from "@mantine/hooks";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { get } from "../app/api.js";
import { currentParams } from "../app/current-params.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { SheetButton } from "../app/sheet-button.js";
import { byAnyName, skillOptions } from "../app/skill-options.js";
import { dateWords } from "../app/words.js";
import { useLoggedName } from "../combos/index.js";
import { useSettings } from "../students/index.js";
import { LogLine } from "./log-line.js";
import { byDay, dayWords, KIND_NAMES, logSheet } from "./log-words.js";
import classes from "./log-page.module.css";

type Asked = Readonly<Partial<Record<"subject" | "kind" | "text", string>>>;

function pathOf(studentId: string, asked: Asked, before: string | null): string {
  const params = new URLSearchParams(before === null ? asked : { ...asked, before });
  return `/students/${studentId}/log?${params.toString()}`;
}

/** What an address asks for, and how it is asked for something else. */
function useAsked() {
  const [params, setParams] = useSearchParams();
  const subject = params.get("skill");
  const kind = LOG_KINDS.find((one) => one === params.get("kind")) ?? null;
  const text = (params.get("text") ?? "").trim().slice(0, LONGEST_LOG_TEXT);
  const asked: Asked = {
    ...(subject === null ? {} : { subject }),
    ...(kind === null ? {} : { kind }),
    ...(text === "" ? {} : { text }),
  };
  const ask = (name: string, value: string | null) =>
    setParams(
      () => {
        const changed = currentParams();
        if (value === null || value === "") changed.delete(name);
        else changed.set(name, value);
        return changed;
      },
      { replace: true },
    );
  return { asked, subject, kind, text, ask };
}

/** Everything that was counted, decided and happened about a student, the newest first, page by page. */
export function LogPage() {
  const { studentId = "" } = useParams();
  const { asked, subject, kind, text, ask } = useAsked();
  const { unit } = useSettings();
  const nameOf = useLoggedName();
  const log = useInfiniteQuery({
    queryKey: ["students", studentId, "log", subject ?? "", kind ?? "", text],
    queryFn: ({ pageParam, signal }) => get<Page>(pathOf(studentId, asked, pageParam), signal),
    initialPageParam: null as string | null,
    getNextPageParam: ({ next }) => next,
    // What was asked before stays meanwhile, but nobody else's.
    placeholderData: (before, of) => (of?.queryKey[1] === studentId ? before : undefined),
  });
  const failure = failureOf(log);
  if (failure !== null) {
    return (
      <Fault title="The log could not be read" onRetry={() => void log.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  const lines = log.data?.pages.flatMap(({ items }) => items);
  const isAll = Object.keys(asked).length === 0;
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
        <Select
          label="Show"
          placeholder="everything"
          size="md"
          clearable
          clearButtonProps={{ "aria-label": "Show everything" }}
          data={LOG_KINDS.map((value) => ({ value, label: KIND_NAMES[value] }))}
          value={kind}
          onChange={(value) => ask("kind", value)}
        />
        <Words text={text} onAsk={(typed) => ask("text", typed)} />
        <SaveAll studentId={studentId} asked={asked} />
      </Group>
      {lines === undefined && <Skeleton height={320} />}
      {lines?.length === 0 && !log.isPlaceholderData && (
        <Text role="status">
          {isAll
            ? "Nothing has been counted yet. The first set stands here as soon as it is."
            : "Nothing of this is in the log."}
        </Text>
      )}
      <div aria-busy={log.isPlaceholderData}>
        {byDay(lines ?? []).map(([day, own]) => (
          <section key={day} className={classes.day} aria-label={dateWords(day)}>
            <Title order={2}>{dateWords(day)}</Title>
            <Text className={classes.quiet}>{dayWords(own)}</Text>
            <ul className={classes.lines}>
              {own.map((line) => (
                <LogLine
                  key={logLineId(line)}
                  studentId={studentId}
                  line={line}
                  unit={unit}
                  nameOf={nameOf}
                />
              ))}
            </ul>
          </section>
        ))}
      </div>
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

const AFTER_MS = 300;

/** The words that are looked for, once somebody has typed them. */
function Words({ text, onAsk }: { readonly text: string; readonly onAsk: (typed: string) => void }) {
  const [typed, setTyped] = useState(text);
  const ask = useDebouncedCallback(onAsk, AFTER_MS);
  return (
    <TextInput
      label="With the words"
      placeholder="of a note or a reason"
      size="md"
      maxLength={LONGEST_LOG_TEXT}
      value={typed}
      onChange={(event) => {
        setTyped(event.currentTarget.value);
        ask(event.currentTarget.value.trim());
      }}
    />
  );
}

/** The whole log that is asked for, as a table; read page by page. */
function SaveAll({ studentId, asked }: { readonly studentId: string; readonly asked: Asked }) {
  const [read, setRead] = useState(0);
  const { unit } = useSettings();
  const nameOf = useLoggedName();
  const make = async () => {
    const lines: Line[] = [];
    try {
      for (let before: string | null = null, isFirst = true; isFirst || before !== null; isFirst = false) {
        const page: Page = await get<Page>(pathOf(studentId, asked, before));
        lines.push(...page.items);
        before = page.next;
        setRead(lines.length);
      }
    } finally {
      setRead(0);
    }
    return logSheet(lines, unit, nameOf);
  };
  return (
    <Group gap="xs">
      <SheetButton name="log" make={make} size="md" />
      <Text role="status">{read > 0 && `${String(read)} lines read …`}</Text>
    </Group>
  );
}
