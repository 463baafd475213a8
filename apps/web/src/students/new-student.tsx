import { LONGEST_NAME, type StudentDetail } from "@mirrup/contract";
import { Button, TextInput } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type SyntheticEvent } from "react";
import { useNavigate } from "react-router";
import { v7 as uuid } from "uuid";
import { patch, post } from "../app/api.js";
import { usePaths } from "../app/paths.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";
import { useUnsaved } from "../device/index.js";
import { namesakeOf, namesakeWords } from "./namesake.js";
import classes from "./students-page.module.css";
import { useEverybody } from "./use-everybody.js";

/** Says so where a name is taken: asked once there is one, since everybody is read for it. */
function Namesake({ name }: { readonly name: string }) {
  const namesake = namesakeOf(name, useEverybody() ?? []);
  return (
    <span role="status" className={classes.namesake}>
      {namesake !== null && namesakeWords(namesake)}
    </span>
  );
}

/** Adds a student by name; the rest of the record can wait, and placement is offered next. */
export function NewStudent() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const paths = usePaths();
  const [typed, setTyped] = useState(() => ({ name: "", id: uuid() }));
  const { found, keep } = useUnsaved("new-student", typed);
  const [isFresh, setFresh] = useState(found === null);
  // Another name is another student; pressed again after silence, or after the page was loaded anew, it is the same.
  const { name, id } = isFresh ? typed : (found ?? typed);
  const write = (text: string) => {
    const after = { name: text, id: uuid() };
    setTyped(after);
    setFresh(true);
    keep(text === "" ? null : after);
  };
  const read = () => readAnew(client, { topics: ["students"] });
  const add = useMutation({
    mutationFn: () => post<StudentDetail>("/students", { id, name: name.trim() }),
    onError: tellFault,
    onSuccess: async (student) => {
      write("");
      await read();
      await navigate(paths.studentPage(student.id, "placement"));
      offerUndo(`${student.name} was added.`, () => {
        void patch(`/students/${student.id}`, { version: student.version, archived: true })
          .then(read)
          .then(() => navigate(paths.students))
          .catch(tellFault);
      });
    },
  });
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    if (name.trim() !== "") add.mutate();
  };
  return (
    <form onSubmit={submit} className={classes.add}>
      <TextInput
        label="New student"
        description={name.trim() !== "" && <Namesake name={name} />}
        placeholder="Name"
        size="md"
        maxLength={LONGEST_NAME}
        value={name}
        onChange={(event) => write(event.currentTarget.value)}
      />
      <Button type="submit" size="md" disabled={name.trim() === ""} loading={add.isPending}>
        Add
      </Button>
    </form>
  );
}
