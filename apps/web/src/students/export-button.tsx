import type { Items, StudentDetail } from "@mirrup/contract";
import { useQueryClient } from "@tanstack/react-query";
import { get } from "../app/api.js";
import { SheetButton } from "../app/sheet-button.js";
import { groupsQuery } from "./queries.js";

/** The roster as a file that the import reads again. */
export function ExportButton() {
  const client = useQueryClient();
  const make = async () => {
    const { rosterSheet } = await import("../roster-file/index.js");
    const { items } = await get<Items<StudentDetail>>("/students/details");
    return rosterSheet(items, await client.query({ ...groupsQuery, staleTime: "static" }));
  };
  return (
    <SheetButton name="students" make={make} size="md">
      Export
    </SheetButton>
  );
}
