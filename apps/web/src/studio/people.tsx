import { ROLES, type Done, type InvitationRequest, type MemberView, type Role } from "@mirrup/contract";
import { invitationRequest } from "@mirrup/contract/schemas";
import { Alert, Button, NativeSelect, Skeleton, Table, Text, TextInput, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { patch, post, remove } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { readAnew } from "../app/read-anew.js";
import { peopleQuery } from "./queries.js";
import classes from "./studio-page.module.css";

const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: "owner: everything, people and data too",
  coach: "coach: teaches and edits",
  viewer: "viewer: sees only",
};

const OPTIONS = ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role] }));

function roleOf(text: string): Role {
  return ROLES.find((role) => role === text) ?? "viewer";
}

/** The studio's people, and the way in for new ones. */
export function People() {
  const client = useQueryClient();
  const people = useQuery(peopleQuery);
  const form = useForm<InvitationRequest>({
    initialValues: { email: "", role: "coach" },
    validate: fits(invitationRequest),
  });
  const change = useMutation({
    mutationFn: (work: () => Promise<Done>) => work(),
    onSettled: () => readAnew(client, { topics: ["studio"] }),
  });
  const invite = (values: InvitationRequest) =>
    change.mutate(async () => {
      const done = await post<Done>("/people/invitations", values);
      form.reset();
      return done;
    });
  const line = ({ id, name, email, role }: MemberView) => (
    <Table.Tr key={id}>
      <Table.Td>{name}</Table.Td>
      <Table.Td>{email}</Table.Td>
      <Table.Td>
        <NativeSelect
          aria-label={`Part of ${name}`}
          data={OPTIONS}
          value={role}
          onChange={(event) => {
            const next = roleOf(event.currentTarget.value);
            change.mutate(() => patch<Done>(`/people/${id}`, { role: next }));
          }}
        />
      </Table.Td>
      <Table.Td>
        <Button variant="default" onClick={() => change.mutate(() => remove<Done>(`/people/${id}`))}>
          Remove
        </Button>
      </Table.Td>
    </Table.Tr>
  );
  return (
    <section>
      <Title order={2}>People</Title>
      <form className={classes.form} onSubmit={form.onSubmit(invite)}>
        <TextInput label="Invite by e-mail" type="email" size="md" {...form.getInputProps("email")} />
        <NativeSelect label="As" size="md" data={OPTIONS} {...form.getInputProps("role")} />
        <Button type="submit" size="md" loading={change.isPending}>
          Invite
        </Button>
      </form>
      {change.isError && (
        <Alert color="red" variant="outline" role="alert" mb="sm">
          {change.error.message}
        </Alert>
      )}
      {change.isSuccess && (
        <Text role="status" mb="sm">
          Done. Letters lie in the outbox below.
        </Text>
      )}
      {people.isError && <Text role="alert">{people.error.message}</Text>}
      {people.data === undefined ? (
        <Skeleton height={120} />
      ) : (
        <Table>
          <Table.Tbody>{people.data.map(line)}</Table.Tbody>
        </Table>
      )}
    </section>
  );
}
