import type { ArchiveReply } from "@mirrup/contract";
import { Button, FileButton, Group, Loader, Text, Title } from "@mantine/core";
import { useMutation, useMutationState, useQueryClient, type MutationState } from "@tanstack/react-query";
import { getFile, sendFile } from "../app/api.js";
import { counted } from "../app/plural.js";
import { saveFile } from "../app/save-file.js";
import { currentStudio } from "../app/studio.js";
import { useMembership } from "../account/index.js";

/** The studio's name as a file can have it. */
function fileName(name: string): string {
  const plain = name.replace(/[^\p{L}\p{N}]+/gu, "-").replace(/^-|-$/g, "");
  return `${plain.toLowerCase() || "studio"}.tar.gz`;
}

/** Whether somebody ended what failed so. */
const isStopped = ({ cause }: Error) => cause instanceof DOMException && cause.name === "AbortError";

/** How a file is saved or read, with what ends it. */
interface Under {
  readonly stop: AbortController;
}
interface Reading extends Under {
  readonly file: File;
}

/**
 * The last try of one kind in this studio, wherever it was begun: what is read is taught at once, and the page is made
 * anew in the middle of it.
 */
function useLast<Data, Variables>(
  mutationKey: readonly unknown[],
): MutationState<Data, Error, Variables> | undefined {
  return useMutationState({
    filters: { mutationKey, exact: true },
    select: (mutation) => mutation.state as MutationState<Data, Error, Variables>,
  }).at(-1);
}

/** The whole studio as one file, and such a file read into a studio that is empty. */
export function Archive() {
  const client = useQueryClient();
  const name = useMembership()?.studioName ?? "";
  const key = (what: "save" | "read") => ["archive", currentStudio(), what] as const;
  const saving = useMutation({
    mutationKey: key("save"),
    mutationFn: async ({ stop }: Under) => {
      const file = await getFile("/studio/archive", stop.signal);
      saveFile(fileName(name), file, "application/gzip");
    },
  });
  const reading = useMutation({
    mutationKey: key("read"),
    mutationFn: ({ file, stop }: Reading) => sendFile<ArchiveReply>("/studio/archive", file, stop.signal),
    onSuccess: () => client.invalidateQueries(),
  });
  const saved = useLast<undefined, Under>(key("save"));
  const read = useLast<ArchiveReply, Reading>(key("read"));
  const busy = [saved, read].find((one) => one?.status === "pending");
  const isBusy = busy !== undefined;
  // Of the two what was begun last.
  const last = (saved?.submittedAt ?? 0) > (read?.submittedAt ?? 0) ? saved : read;
  const failure = last?.error ?? null;
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
        <Button
          size="md"
          variant="default"
          disabled={isBusy}
          onClick={() => saving.mutate({ stop: new AbortController() })}
        >
          Save the studio
        </Button>
        <FileButton
          accept=".gz,.tgz,application/gzip"
          onChange={(file) => file !== null && reading.mutate({ file, stop: new AbortController() })}
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
              {saved?.status === "pending" ? "Everything is being gathered …" : "The file is being read …"}
            </Text>
            <Button variant="subtle" onClick={() => busy.variables?.stop.abort()}>
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
      {last === read && read?.data !== undefined && (
        <Text role="status" mt="xs">
          Read: {counted(read.data.students, "student")} with {counted(read.data.sets, "set")}.
        </Text>
      )}
    </section>
  );
}
