import type { StudentDetail } from "@mirrup/contract";
import { Button, Group, Select, Stack, Text } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import { useMayTeach } from "../account/index.js";
import { plainName } from "../app/plain.js";
import { usePaths } from "../app/paths.js";
import { namedWords, useEverybody, useTogether } from "../students/index.js";

/** Other records of the same child: those that are part of this one, and one that is to be. */
export function SecondRecords({ detail }: { readonly detail: StudentDetail }) {
  const everybody = useEverybody() ?? [];
  const mayTeach = useMayTeach();
  const { bring, takeOut, isPending } = useTogether(detail);
  const [chosen, setChosen] = useState<string | null>();
  const parts = everybody.filter(({ sameAs }) => sameAs === detail.id);
  const others = everybody.filter(({ id, sameAs }) => id !== detail.id && sameAs === null);
  const namesake = others.find(({ name }) => plainName(name) === plainName(detail.name));
  const second = others.find(({ id }) => id === (chosen === undefined ? namesake?.id : chosen));
  return (
    <Stack gap="sm">
      <Text size="sm">
        Were they added twice? All that was counted and decided under the other name is counted here too, and
        the other record leaves the lists. You can take the two apart again.
      </Text>
      {parts.map((part) => (
        <Group key={part.id} justify="space-between" wrap="nowrap">
          <Text>{part.name}</Text>
          {mayTeach && (
            <Button
              {...{ variant: "default", size: "sm", loading: isPending }}
              aria-label={`Take apart ${part.name}`}
              onClick={() => void takeOut(part)}
            >
              Take apart
            </Button>
          )}
        </Group>
      ))}
      {mayTeach && (
        <>
          <Select
            label="The other record"
            placeholder="Choose a student"
            searchable
            clearable
            clearButtonProps={{ "aria-label": "None" }}
            nothingFoundMessage="No student has that name."
            data={others.map((one) => ({ value: one.id, label: namedWords(one) }))}
            value={second?.id ?? null}
            onChange={setChosen}
          />
          {second !== undefined && (
            <>
              <Text size="sm" role="status">
                {second.name} becomes part of {detail.name}’s record.
              </Text>
              <Button
                variant="default"
                loading={isPending}
                onClick={() => void bring(second).then((isDone) => isDone && setChosen(null))}
              >
                Bring together
              </Button>
            </>
          )}
        </>
      )}
    </Stack>
  );
}

/** In place of a record that is part of another one. */
export function PartOf({ detail }: { readonly detail: StudentDetail }) {
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const kept = (useEverybody() ?? []).find(({ id }) => id === detail.sameAs);
  const { takeOut, isPending } = useTogether({ id: detail.sameAs ?? "", name: kept?.name ?? "" });
  return (
    <Stack align="flex-start" p="lg" maw={640}>
      <Text>
        This record is part of{" "}
        <Link to={paths.studentPage(detail.sameAs ?? "", "record")}>{kept?.name ?? "another"}</Link>’s: all
        that was counted under this name is there.
      </Text>
      {mayTeach && (
        <Button variant="default" loading={isPending} onClick={() => void takeOut(detail)}>
          Take the two apart
        </Button>
      )}
    </Stack>
  );
}
