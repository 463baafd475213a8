import { LONGEST_NAME, type StudioView } from "@mirrup/contract";
import { Button, NativeSelect, Skeleton, TextInput, Title } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { patch } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { zonesWith } from "../app/time-zones.js";
import { offerUndo, tellFault } from "../app/undo.js";
import { studioQuery } from "../students/index.js";
import classes from "./studio-page.module.css";

type Called = Pick<StudioView, "name" | "timeZone">;

function NameForm({ studio }: { readonly studio: StudioView }) {
  const client = useQueryClient();
  // What was not typed follows what somebody else makes of it.
  const [over, setOver] = useState<Partial<Called>>({});
  const typed: Called = { name: studio.name, timeZone: studio.timeZone, ...over };
  const save = useMutation({
    mutationFn: ({ version, ...called }: Called & Pick<StudioView, "version">) =>
      patch<StudioView>("/studio", { version, ...called }),
    onError: tellFault,
    // Lessons are the days of its zone, so that everything may be on another day.
    onSettled: () => readAnew(client, { topics: ["studio", "students", "lessons"] }),
  });
  const isSame = typed.name.trim() === studio.name && typed.timeZone === studio.timeZone;
  const submit = async () => {
    const before = { name: studio.name, timeZone: studio.timeZone };
    const called = { name: typed.name.trim(), timeZone: typed.timeZone };
    const saved = await save.mutateAsync({ ...called, version: studio.version }).catch(() => null);
    if (saved === null) return;
    setOver({});
    offerUndo("The studio is changed.", () => save.mutate({ ...before, version: saved.version }));
  };
  return (
    <form
      className={classes.form}
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <TextInput
        label="Name"
        size="md"
        w={280}
        maxLength={LONGEST_NAME}
        value={typed.name}
        onChange={(event) => setOver({ ...over, name: event.currentTarget.value })}
      />
      <NativeSelect
        label="Time zone"
        size="md"
        w={280}
        data={[...zonesWith(studio.timeZone)]}
        value={typed.timeZone}
        onChange={(event) => setOver({ ...over, timeZone: event.currentTarget.value })}
      />
      <Button
        type="submit"
        size="md"
        variant="default"
        disabled={isSame || typed.name.trim() === ""}
        loading={save.isPending}
      >
        Save
      </Button>
    </form>
  );
}

/** What the studio is called, and in which zone its days are. */
export function Name() {
  const studio = useQuery(studioQuery);
  return (
    <section>
      <Title order={2}>The studio</Title>
      {studio.data === undefined ? <Skeleton height={60} /> : <NameForm studio={studio.data} />}
    </section>
  );
}
