import type { ArchiveReply } from "@mirrup/contract";
import { Button, FileButton, Group, Loader, Text, Title } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { getFile, sendFile } from "../app/api.js";
import { counted } from "../app/plural.js";
import { saveFile } from "../app/save-file.js";
import { useMembership } from "../account/index.js";

/** The studio's name as a file can have it. */
function fileName(name: string): string {
  const plain = name.replace(/[^\p{L}\p{N}]+/gu, "-").replace(/^-|-$/g, "");
  return `${plain.toLowerCase() || "studio"}.tar.gz`;
}

/** Whether somebody ended what failed so. */
const isStopped = ({ cause }: Error) => cause instanceof DOMException && cause.name === "AbortError";

/** The whole studio as one file, and such a file read into a studio that is empty. */
export function Archive() {
  const client = useQueryClient();
  const name = useMembership()?.studioName ?? "";
  const stop = useRef<AbortController | null>(null);
  const begun = () => {
    stop.current = new AbortController();
    return stop.current.signal;
  };
  const save = useMutation({
    mutationFn: async () => {
      saveFile(fileName(name), await getFile("/studio/archive", begun()), "application/gzip");
    },
  });
  const read = useMutation({
    mutationFn: (file: File) => sendFile<ArchiveReply>("/studio/archive", file, begun()),
    onSuccess: () => client.invalidateQueries(),
  });
  const isBusy = save.isPending || read.isPending;
  const failure = save.error ?? read.error;
  return (
    <section aria-labelledby="archive">
      <Title order={2} id="archive">
        The whole studio
      </Title>
      <Text>
        One file with everything that was written and counted here: students, groups, lessons, combos, what
        you teach, and every set. Each table is in it twice: as lines of JSON, and as a sheet for a
        spreadsheet. Accounts, passwords and links stay behind.
      </Text>
      <Group gap="sm" mt="sm">
        <Button size="md" variant="default" disabled={isBusy} onClick={() => save.mutate()}>
          Save the studio
        </Button>
        <FileButton
          accept=".gz,.tgz,application/gzip"
          onChange={(file) => file !== null && read.mutate(file)}
          disabled={isBusy}
        >
          {(props) => (
            <Button size="md" variant="default" disabled={isBusy} {...props}>
              Read a saved studio
            </Button>
          )}
        </FileButton>
        {isBusy && (
          <>
            <Loader size="sm" />
            <Text role="status">
              {save.isPending ? "Everything is being gathered …" : "The file is being read …"}
            </Text>
            <Button variant="subtle" onClick={() => stop.current?.abort()}>
              Stop
            </Button>
          </>
        )}
      </Group>
      <Text size="sm" mt="xs">
        A saved studio is read into an empty one only, all of it or nothing.
      </Text>
      {failure !== null && (
        <Text role="alert" mt="xs">
          {isStopped(failure) ? "It was stopped." : failure.message}
        </Text>
      )}
      {read.data !== undefined && (
        <Text role="status" mt="xs">
          Read: {counted(read.data.students, "student")} with {counted(read.data.sets, "set")}.
        </Text>
      )}
    </section>
  );
}
