import type { GroupView, NewGroup } from "@mirrup/contract";
import { newGroup } from "@mirrup/contract/schemas";
import { Alert, Button, Group, MultiSelect, NativeSelect, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 as uuid } from "uuid";
import { isProblem, isStale, patch, post } from "../app/api.js";
import { UnsavedNote, useUnsaved, useUnsavedForm } from "../device/index.js";
import { fits } from "../app/joi-form.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";
import { DAY_NAMES } from "../app/words.js";
import { namedWords, useEverybody } from "../students/index.js";
import classes from "./class-page.module.css";

interface GroupFormProps {
  /** Null for a new one. */
  readonly group: GroupView | null;
  /** Who is in a new one to begin with. */
  readonly members?: readonly string[];
  readonly onDone: (group: GroupView) => void;
  readonly onLeave: () => void;
}

interface Values {
  readonly name: string;
  readonly weekday: string;
  readonly startTime: string;
  readonly place: string;
  readonly members: readonly string[];
}

function groupOf({ name, weekday, startTime, place, members }: Values): NewGroup {
  return {
    name,
    weekday: weekday === "" ? null : Number(weekday),
    startTime: startTime === "" ? null : startTime,
    place,
    members,
  };
}

function isGroup(value: unknown): value is GroupView {
  return typeof value === "object" && value !== null && "version" in value && "members" in value;
}

function valuesOf(group: GroupView | null, members: readonly string[]): Values {
  return {
    name: group?.name ?? "",
    weekday: group?.weekday == null ? "" : String(group.weekday),
    startTime: group?.startTime ?? "",
    place: group?.place ?? "",
    members: group?.members ?? members,
  };
}

/** A group's name, time, place and students. */
export function GroupForm({ group, members = [], onDone, onLeave }: GroupFormProps) {
  const client = useQueryClient();
  const everybody = useEverybody() ?? [];
  const [opened] = useState(() => ({
    values: valuesOf(group, members),
    about: { version: group?.version ?? 0, id: group?.id ?? uuid() },
  }));
  const unsaved = useUnsaved(`group ${group?.id ?? "new"}`, opened);
  // A change of what stood there when it was begun: what somebody else saved since is not written over.
  const [about, setAbout] = useState(unsaved.found?.about ?? opened.about);
  const form = useForm<Values>({
    initialValues: opened.values,
    validate: (values) => fits(newGroup)(groupOf(values)),
  });
  const { isFound, drop } = useUnsavedForm(form, unsaved, about);
  // Whose name could not be read stays a member, unseen.
  const named = new Set(everybody.map(({ id }) => id));
  const unnamed = form.values.members.filter((id) => !named.has(id));
  const readGroups = () => readAnew(client, { topics: ["groups", "students"] });
  const save = useMutation({
    mutationFn: (values: Values) =>
      group === null
        ? post<GroupView>("/groups", { id: about.id, ...groupOf(values) })
        : patch<GroupView>(`/groups/${group.id}`, { ...groupOf(values), version: about.version }),
    onSuccess: async (saved) => {
      unsaved.keep(null);
      await readGroups();
      onDone(saved);
    },
    onError: (error) => {
      const { current } = isProblem(error) ? error.problem : {};
      if (isStale(error) && isGroup(current)) setAbout({ ...about, version: current.version });
    },
  });
  const archive = async (one: GroupView) => {
    try {
      const archived = !one.archived;
      const changed = await patch<GroupView>(`/groups/${one.id}`, { version: one.version, archived });
      await readGroups();
      offerUndo(archived ? `${one.name} is archived.` : `${one.name} is back.`, () => void archive(changed));
      onLeave();
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <form
      className={classes.group}
      aria-label={group === null ? "A new group" : `The group ${group.name}`}
      onSubmit={form.onSubmit((values) => save.mutate(values))}
    >
      {isFound && (
        <div className={classes.members}>
          <UnsavedNote
            onDrop={() => {
              drop();
              setAbout(opened.about);
            }}
          />
        </div>
      )}
      <TextInput label="Name" size="md" withAsterisk {...form.getInputProps("name")} />
      <NativeSelect
        label="Day"
        size="md"
        data={[
          { value: "", label: "none" },
          ...DAY_NAMES.map((name, place) => ({ value: String(place + 1), label: name })),
        ]}
        {...form.getInputProps("weekday")}
      />
      <TextInput label="Time" type="time" size="md" {...form.getInputProps("startTime")} />
      <TextInput label="Place" size="md" {...form.getInputProps("place")} />
      <MultiSelect
        className={classes.members}
        label="Students"
        size="md"
        searchable
        data={everybody
          .filter(({ id, isArchived }) => !isArchived || form.values.members.includes(id))
          .map((one) => ({ value: one.id, label: namedWords(one) }))}
        value={form.values.members.filter((id) => named.has(id))}
        onChange={(members) => form.setFieldValue("members", [...unnamed, ...members])}
      />
      {save.isError && (
        <Alert color="red" role="alert" className={classes.members}>
          {save.error.message}
          {isStale(save.error) && " Saving again puts yours in its place."}
        </Alert>
      )}
      <Group className={classes.members} gap="xs">
        <Button type="submit" size="md" loading={save.isPending}>
          {group === null ? "Make the group" : "Save"}
        </Button>
        <Button
          variant="default"
          size="md"
          onClick={() => {
            unsaved.keep(null);
            onLeave();
          }}
        >
          Cancel
        </Button>
        {group !== null && (
          <Button variant="default" size="md" onClick={() => void archive(group)}>
            {group.archived ? "Bring back" : "Archive"}
          </Button>
        )}
      </Group>
    </form>
  );
}
