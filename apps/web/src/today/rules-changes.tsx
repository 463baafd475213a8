import type { Done, Items, RulesChange } from "@mirrup/contract";
import { grouped } from "@mirrup/core";
import { Alert, Button, Group } from "@mantine/core";
import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { counted } from "../app/plural.js";
import { useMembership } from "../account/index.js";
import { get, post } from "../app/api.js";
import { listWords, subjectName } from "../app/words.js";

const rulesChangesQuery = queryOptions({
  queryKey: ["studio", "rules-changes"],
  queryFn: async ({ signal }) => (await get<Items<RulesChange>>("/studio/rules-changes", signal)).items,
});

function sidesWords(count: number): string {
  return counted(count, "side is", "sides are");
}

/** What newer rules of evidence read otherwise, told to the owner once, with one press to keep what was cleared. */
export function RulesChanges() {
  const isOwner = useMembership()?.role === "owner";
  const changes = useQuery({ ...rulesChangesQuery, enabled: isOwner });
  const client = useQueryClient();
  const settle = useMutation({
    mutationFn: (keep: boolean) => post<Done>("/studio/rules-changes", { keep }),
    onSuccess: () => client.invalidateQueries(),
  });
  const lost = (changes.data ?? []).filter((one) => !one.isCleared);
  const won = (changes.data ?? []).filter((one) => one.isCleared);
  if (!isOwner || lost.length + won.length === 0) return null;
  return (
    <Alert color="yellow" title="The rules of evidence have changed" mb="md">
      <p>
        Everybody’s sets are read by newer rules than before.
        {lost.length > 0 && ` So ${sidesWords(lost.length)} no longer cleared:`}
      </p>
      {lost.length > 0 && <Sides changes={lost} />}
      {won.length > 0 && (
        <>
          <p>{sidesWords(won.length)} cleared by them:</p>
          <Sides changes={won} />
        </>
      )}
      {settle.isError && <p role="alert">{settle.error.message}</p>}
      <Group gap="sm" mt="xs">
        {lost.length > 0 && (
          <Button loading={settle.isPending} onClick={() => settle.mutate(true)}>
            Keep them cleared
          </Button>
        )}
        <Button variant="default" loading={settle.isPending} onClick={() => settle.mutate(false)}>
          {lost.length > 0 ? "Leave it as it is now" : "I have seen it"}
        </Button>
      </Group>
    </Alert>
  );
}

function Sides({ changes }: { readonly changes: readonly RulesChange[] }) {
  return (
    <ul>
      {[...grouped(changes, (one) => one.studentId)].map(([id, own]) => (
        <li key={id}>
          <strong>{own[0]?.name}</strong>: {listWords(own.map((one) => subjectName(one.subject, one.side)))}
        </li>
      ))}
    </ul>
  );
}
