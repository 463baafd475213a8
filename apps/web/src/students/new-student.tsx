import type { StudentDetail } from "@mirrup/contract";
import { Button, TextInput } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type SyntheticEvent } from "react";
import { useNavigate } from "react-router";
import { patch, post } from "../app/api.js";
import { usePaths } from "../app/paths.js";
import { offerUndo, tellFault } from "../app/undo.js";
import classes from "./students-page.module.css";

/** Adds a student by name; the rest of the record can wait, and placement is offered next. */
export function NewStudent() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const paths = usePaths();
  const [name, setName] = useState("");
  const read = () => client.invalidateQueries({ queryKey: ["students"] });
  const add = useMutation({
    mutationFn: () => post<StudentDetail>("/students", { name: name.trim() }),
    onError: tellFault,
    onSuccess: async (student) => {
      setName("");
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
        placeholder="Name"
        size="md"
        maxLength={120}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <Button type="submit" size="md" disabled={name.trim() === ""} loading={add.isPending}>
        Add
      </Button>
    </form>
  );
}
