import type { Items, StudentDetail } from "@mirrup/contract";
import { Button } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { get } from "../app/api.js";
import { saveFile } from "../app/save-file.js";
import { tellFault } from "../app/undo.js";
import { groupsQuery } from "./queries.js";

/** The roster as a CSV file that the import reads again. */
export function ExportButton() {
  const client = useQueryClient();
  const save = useMutation({
    mutationFn: async () => {
      const { writeRoster } = await import("../roster-file/index.js");
      const { items } = await get<Items<StudentDetail>>("/students/details");
      const groups = await client.query({ ...groupsQuery, staleTime: "static" });
      saveFile("students.csv", writeRoster(items, groups), "text/csv;charset=utf-8");
    },
    onError: tellFault,
  });
  return (
    <Button variant="default" size="md" loading={save.isPending} onClick={() => save.mutate()}>
      Export
    </Button>
  );
}
