import type { Done, StudentRecord } from "@mirrup/contract";
import { Alert, Button, Group, NativeSelect, Text, Title } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { get, remove } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { saveFile } from "../app/save-file.js";
import { tellNote } from "../app/undo.js";
import { namedWords, useEverybody, type Named } from "../students/index.js";
import classes from "./studio-page.module.css";

const UNDO_SECONDS = 10;

/** One student's whole record: handed out as a file, or deleted for good after a chance to undo. */
export function Records() {
  const client = useQueryClient();
  const everybody = useEverybody() ?? [];
  const [chosen, setChosen] = useState("");
  const [going, setGoing] = useState<Named | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  // Whoever leaves the page in time has not deleted anybody, and is told so.
  useEffect(
    () => () => {
      if (timer.current === undefined) return;
      clearTimeout(timer.current);
      tellNote(`Nobody was deleted: you left the page before the ${UNDO_SECONDS} seconds were over.`);
    },
    [],
  );
  const student = everybody.find((one) => one.id === chosen);

  const tell = (error: unknown) => setSaid(error instanceof Error ? error.message : "It could not be done.");
  const exportRecord = async ({ id, name }: Named) => {
    try {
      const record = await get<StudentRecord>(`/students/${id}/export`);
      saveFile(`${name}.json`, JSON.stringify(record, null, 2), "application/json");
      setSaid(null);
    } catch (error) {
      tell(error);
    }
  };
  const deleteNow = async ({ id, name }: Named) => {
    timer.current = undefined;
    try {
      await remove<Done>(`/students/${id}`);
      setSaid(`${name} was deleted, with everything of theirs.`);
      setChosen("");
    } catch (error) {
      tell(error);
    } finally {
      setGoing(null);
      await readAnew(client, { topics: ["students", "groups", "lessons", "pairs", "studio"] });
    }
  };
  const begin = (one: Named) => {
    setGoing(one);
    timer.current = setTimeout(() => void deleteNow(one), UNDO_SECONDS * 1000);
  };
  const undo = () => {
    clearTimeout(timer.current);
    timer.current = undefined;
    setGoing(null);
  };

  return (
    <section>
      <Title order={2}>A student’s record</Title>
      <div className={classes.form}>
        <NativeSelect
          label="Student"
          size="md"
          value={chosen}
          disabled={going !== null}
          data={[
            { value: "", label: "Choose …" },
            ...everybody.map((one) => ({ value: one.id, label: namedWords(one) })),
          ]}
          onChange={(event) => setChosen(event.currentTarget.value)}
        />
        <Button
          size="md"
          variant="default"
          disabled={student === undefined}
          onClick={() => student && void exportRecord(student)}
        >
          Export as JSON
        </Button>
        <Button
          size="md"
          color="red"
          variant="outline"
          disabled={student === undefined || going !== null}
          onClick={() => student && begin(student)}
        >
          Delete for good
        </Button>
      </div>
      {going !== null && (
        <Alert color="yellow" role="alert" title={`${going.name} is being deleted`}>
          <Group>
            <Text>
              In {UNDO_SECONDS} seconds everything of theirs is gone, on the server and on every device.
            </Text>
            <Button color="ink" onClick={undo}>
              Undo
            </Button>
          </Group>
        </Alert>
      )}
      {said !== null && <Text role="status">{said}</Text>}
    </section>
  );
}
