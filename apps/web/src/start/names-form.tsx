import type { ImportReply } from "@mirrup/contract";
import { MAX_IMPORT } from "@mirrup/contract";
import { Alert, Button, Text, Textarea } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v5 as uuidOf, v7 as uuid } from "uuid";
import { counted } from "../app/plural.js";
import { post } from "../app/api.js";
import { plainName } from "../app/plain.js";
import { readAnew } from "../app/read-anew.js";
import { listWords } from "../app/words.js";
import { useUnsaved } from "../device/index.js";
import { namesIn } from "./typed-names.js";

const MOST_LETTERS = 120;

interface NamesFormProps {
  readonly known: readonly string[];
  /** Whether this is what comes next. */
  readonly leads: boolean;
}

/** Adds students by their names, one to a line: typed, or pasted from a list. */
export function NamesForm({ known, leads }: NamesFormProps) {
  const client = useQueryClient();
  const [fresh] = useState(() => ({ text: "", batch: uuid() }));
  const { found, keep } = useUnsaved("first-students", fresh);
  const [{ text, batch }, setTyped] = useState(found ?? fresh);
  const write = (typed: string) => {
    const after = { text: typed, batch };
    setTyped(after);
    keep(typed === "" ? null : after);
  };
  const { names, twins } = namesIn(text, known);
  const tooLong = names.find((name) => name.length > MOST_LETTERS);
  const add = useMutation({
    mutationFn: () =>
      post<ImportReply>("/students/import", {
        // The same name of the same list is the same student: what is sent again after silence adds nobody.
        students: names.map((name) => ({ id: uuidOf(plainName(name), batch), name })),
      }),
    onSuccess: async () => {
      setTyped({ text: "", batch: uuid() });
      keep(null);
      await readAnew(client, { topics: ["students"] });
    },
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (names.length > 0) add.mutate();
      }}
    >
      <Textarea
        label="Names, one to a line"
        placeholder={"Type them, or paste a list"}
        autosize
        minRows={4}
        maxRows={14}
        size="md"
        maw={480}
        value={text}
        onChange={(event) => write(event.currentTarget.value)}
        error={
          tooLong !== undefined
            ? `“${tooLong.slice(0, 30)}…” is longer than ${MOST_LETTERS} letters: is it one name?`
            : names.length > MAX_IMPORT
              ? `At most ${MAX_IMPORT} at once.`
              : null
        }
      />
      {twins.length > 0 && (
        <Text size="sm" mt={4} role="status">
          Here already, or written twice, and left out: {listWords(twins.slice(0, 6))}
          {twins.length > 6 ? ` and ${twins.length - 6} more` : ""}.
        </Text>
      )}
      {add.isError && (
        <Alert color="red" role="alert" mt="sm">
          {add.error.message} The names are kept here.
        </Alert>
      )}
      <Button
        type="submit"
        size="md"
        mt="sm"
        variant={leads ? "filled" : "default"}
        loading={add.isPending}
        disabled={names.length === 0 || names.length > MAX_IMPORT || tooLong !== undefined}
      >
        {names.length === 0 ? "Add the students" : `Add ${counted(names.length, "student")}`}
      </Button>
    </form>
  );
}
