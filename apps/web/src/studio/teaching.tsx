import { optionOf, SCHOOLS, SETTINGS } from "@mirrup/catalogue";
import type { PreviewItem, StudentView, StudioView } from "@mirrup/contract";
import { SCHOOL_IDS, type SchoolId, type SubjectSide } from "@mirrup/core";
import { Alert, Button, Checkbox, Group, NativeSelect, Progress, Skeleton, Text, Title } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { counted } from "../app/plural.js";
import { patch } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";
import { capital, listWords, SCHOOL_NAMES, subjectName } from "../app/words.js";
import { studentsQuery, studioQuery } from "../students/index.js";
import classes from "./studio-page.module.css";
import { usePreview } from "./use-preview.js";

const SHOWN_STUDENTS = 12;
const SHOWN_SIDES = 6;

function sidesWords(sides: readonly SubjectSide[]): string {
  const names = sides.slice(0, SHOWN_SIDES).map(({ subject, side }) => subjectName(subject, side));
  return sides.length > SHOWN_SIDES
    ? `${names.join(", ")} and ${sides.length - SHOWN_SIDES} more`
    : listWords(names);
}

interface ChangesProps {
  readonly items: readonly PreviewItem[];
  readonly students: readonly StudentView[];
}

function Changes({ items, students }: ChangesProps) {
  const nameOf = new Map(students.map((student) => [student.id, student.name]));
  const touched = items.filter((item) => item.clears.length + item.reopens.length > 0);
  const sum = (key: "clears" | "reopens") => items.reduce((total, item) => total + item[key].length, 0);
  if (touched.length === 0) return <Text>Nothing would change for anybody.</Text>;
  return (
    <>
      <Text>
        It would clear {counted(sum("clears"), "side")} and reopen {sum("reopens")}, of{" "}
        {counted(touched.length, "student")}:
      </Text>
      <ul>
        {touched.slice(0, SHOWN_STUDENTS).map(({ studentId, clears, reopens }) => (
          <li key={studentId}>
            <strong>{nameOf.get(studentId)}</strong>:{clears.length > 0 && ` clears ${sidesWords(clears)}.`}
            {reopens.length > 0 && ` Reopens ${sidesWords(reopens)}.`}
          </li>
        ))}
        {touched.length > SHOWN_STUDENTS && <li>and {touched.length - SHOWN_STUDENTS} more students.</li>}
      </ul>
    </>
  );
}

/** How the studio teaches, for those who cannot change it. */
function Told({ studio }: { readonly studio: StudioView }) {
  const school = SCHOOLS[studio.school];
  return (
    <>
      <Text mb="sm">An owner of the studio can change this.</Text>
      <dl className={classes.told}>
        <div>
          <dt>School</dt>
          <dd>
            {capital(school.name)}. <span className={classes.quiet}>{school.reason}</span>
          </dd>
        </div>
        {SETTINGS.map((setting) => {
          const { name, reason } = optionOf(setting, studio.settings);
          return (
            <div key={setting.id}>
              <dt>{setting.name}</dt>
              <dd>
                {capital(name)}. <span className={classes.quiet}>{reason}</span>
              </dd>
            </div>
          );
        })}
      </dl>
    </>
  );
}

/** The school, and what another would clear or reopen before it is chosen. */
function School({ studio }: { readonly studio: StudioView }) {
  const client = useQueryClient();
  const students = useQuery(studentsQuery);
  const { state, preview, stop } = usePreview();
  const [chosen, setChosen] = useState<SchoolId>(studio.school);
  const [keep, setKeep] = useState(true);
  const change = useMutation({
    mutationFn: ({
      version,
      school,
      keepCleared,
    }: {
      version: number;
      school: SchoolId;
      keepCleared: boolean;
    }) => patch<StudioView>("/studio", { version, school, keepCleared }),
    onError: tellFault,
    onSettled: () => readAnew(client, { topics: ["studio", "students"] }),
  });
  const apply = async () => {
    const before = studio.school;
    const saved = await change
      .mutateAsync({ version: studio.version, school: chosen, keepCleared: keep })
      .catch(() => null);
    if (saved === null) return;
    stop();
    offerUndo(`The school is ${SCHOOL_NAMES[chosen]} now.`, () => {
      setChosen(before);
      change.mutate({ version: saved.version, school: before, keepCleared: false });
    });
  };
  return (
    <>
      <NativeSelect
        label="School"
        description={SCHOOLS[chosen].reason}
        size="md"
        maw={420}
        data={SCHOOL_IDS.map((value) => ({ value, label: SCHOOL_NAMES[value] }))}
        value={chosen}
        onChange={(event) => {
          const school = SCHOOL_IDS.find((one) => one === event.currentTarget.value) ?? studio.school;
          setChosen(school);
          if (school === studio.school) stop();
          else void preview(school, () => client.query({ ...studentsQuery, staleTime: "static" }));
        }}
      />
      {state.kind === "reading" && (
        <Group mt="sm" role="status">
          <Progress value={100 * state.share} w={240} aria-label="How many students have been looked at" />
          <Text>Reading what it would change …</Text>
          <Button
            variant="default"
            onClick={() => {
              stop();
              setChosen(studio.school);
            }}
          >
            Stop
          </Button>
        </Group>
      )}
      {state.kind === "failed" && (
        <Alert mt="sm" color="red" role="alert">
          {state.message}
        </Alert>
      )}
      {state.kind === "read" && state.school === chosen && chosen !== studio.school && (
        <Alert
          mt="sm"
          color="yellow"
          role="status"
          title={`${capital(SCHOOL_NAMES[chosen])}, before it is chosen`}
        >
          <Changes items={state.items} students={students.data ?? []} />
          <Checkbox
            mt="sm"
            checked={keep}
            onChange={(event) => setKeep(event.currentTarget.checked)}
            label="Keep what was cleared, as cleared by hand with this reason"
          />
          <Group mt="sm">
            <Button loading={change.isPending} onClick={() => void apply()}>
              Teach by {SCHOOL_NAMES[chosen]}
            </Button>
            <Button
              variant="default"
              onClick={() => {
                setChosen(studio.school);
                stop();
              }}
            >
              Cancel
            </Button>
          </Group>
        </Alert>
      )}
    </>
  );
}

/** How the studio teaches: its school, and what instructors disagree about beside it. */
export function Teaching({ isOwner }: { readonly isOwner: boolean }) {
  const client = useQueryClient();
  const studio = useQuery(studioQuery);
  const save = useMutation({
    mutationFn: ({ version, settings }: Pick<StudioView, "version" | "settings">) =>
      patch<StudioView>("/studio", { version, settings }),
    onError: tellFault,
    onSettled: () => readAnew(client, { topics: ["studio", "students"] }),
  });
  const { data } = studio;
  if (data === undefined) return <Skeleton height={200} />;
  if (!isOwner) {
    return (
      <section>
        <Title order={2}>How we teach</Title>
        <Told studio={data} />
      </section>
    );
  }
  return (
    <section>
      <Title order={2}>How we teach</Title>
      <School key={data.school} studio={data} />
      <div className={classes.settings}>
        {SETTINGS.map((setting) => {
          const option = optionOf(setting, data.settings);
          return (
            <NativeSelect
              key={setting.id}
              label={setting.name}
              description={option.reason}
              inputWrapperOrder={["label", "input", "description"]}
              size="md"
              disabled={save.isPending}
              data={setting.options.map(({ id, name }) => ({ value: id, label: name }))}
              value={option.id}
              onChange={(event) => {
                const settings = { ...data.settings, [setting.id]: event.currentTarget.value };
                save.mutate({ version: data.version, settings });
              }}
            />
          );
        })}
      </div>
    </section>
  );
}
