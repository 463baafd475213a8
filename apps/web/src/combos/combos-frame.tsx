import { Button, FileButton, Group, Select, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { IconFileUpload } from "@tabler/icons-react";
import { Outlet, useNavigate, useSearchParams } from "react-router";
import { PageLinks } from "../app/page-links.js";
import { usePaths } from "../app/paths.js";
import { tellFault } from "../app/undo.js";
import { addressOfParts } from "./bench-address.js";
import { readComboFromFile } from "./combo-file-in-worker.js";
import classes from "./combos.module.css";
import { useFor } from "./use-for.js";

const PAGES = [
  ["bench", "Bench"],
  ["make", "Suggest"],
  ["freestyle", "Freestyle"],
] as const;

/** The frame of all that is about combos: its pages, and for whom they are looked at. */
export function CombosFrame() {
  const paths = usePaths();
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const { id, students, choose, onward } = useFor();
  useDocumentTitle("Combos · Mirrup");
  const query = params.get("for") === null ? "" : `?for=${params.get("for") ?? ""}`;
  const open = async (file: File | null) => {
    if (file === null) return;
    const read = await readComboFromFile(file);
    if (!read.ok) throw new Error(read.message);
    const asked = new URLSearchParams({ parts: addressOfParts(read.parts), name: read.name });
    if (read.note !== "") asked.set("note", read.note);
    if (onward !== null) asked.set("for", onward);
    void navigate(`${paths.comboPage("bench")}?${asked.toString()}`);
  };
  return (
    <div className={classes.frame}>
      <header className={classes.header}>
        <Title order={1}>Combos</Title>
        <div className={classes.pages}>
          <PageLinks
            label="Pages of combos"
            links={[
              { to: `${paths.combos}${query}`, name: "Shelf", end: true },
              ...PAGES.map(([page, name]) => ({ to: `${paths.comboPage(page)}${query}`, name })),
            ]}
          />
        </div>
        <Group gap="sm">
          <FileButton
            accept=".json,.txt,.mid,.midi,.wav"
            onChange={(file) => void open(file).catch(tellFault)}
          >
            {(props) => (
              <Button {...props} variant="default" leftSection={<IconFileUpload size={18} aria-hidden />}>
                From a file
              </Button>
            )}
          </FileButton>
          <Select
            aria-label="For which student"
            placeholder="For a student …"
            searchable
            clearable
            clearButtonProps={{ "aria-label": "For nobody in particular" }}
            nothingFoundMessage="No student has that name."
            data={students.map((student) => ({ value: student.id, label: student.name }))}
            value={id}
            onChange={choose}
          />
        </Group>
      </header>
      <Outlet />
    </div>
  );
}
