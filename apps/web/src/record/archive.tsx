import type { StudentDetail } from "@mirrup/contract";
import { Button } from "@mantine/core";
import { useArchiving } from "../students/index.js";

/** Puts a student away, or brings them back. */
export function Archive({ detail }: { readonly detail: StudentDetail }) {
  const { put, isPending } = useArchiving(detail);
  return (
    <Button variant="default" loading={isPending} onClick={() => void put(detail.version, !detail.archived)}>
      {detail.archived ? "Bring back" : "Archive"}
    </Button>
  );
}
