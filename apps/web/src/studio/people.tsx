import { ROLES, type Done, type InvitationRequest, type MemberView, type Role } from "@mirrup/contract";
import { invitationRequest } from "@mirrup/contract/schemas";
import { Alert, Button, Group, NativeSelect, Skeleton, Text, TextInput, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
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

const NOW_WORDS: Readonly<Record<Role, string>> = { owner: "an owner", coach: "a coach", viewer: "a viewer" };

const OPTIONS = ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role] }));

function roleOf(text: string): Role {
  return ROLES.find((role) => role === text) ?? "viewer";
}

interface Change {
  readonly work: () => Promise<Done>;
  /** What is said once it is done. */
  readonly done: string;
}

/** The studio's people, and the way in for new ones. */
export function People() {
  const client = useQueryClient();
  const people = useQuery(peopleQuery);
  const form = useForm<InvitationRequest>({
    initialValues: { email: "", role: "coach" },
    validate: fits(invitationRequest),
  });
  const [going, setGoing] = useState<string | null>(null);
  const change = useMutation({
    mutationFn: ({ work }: Change) => work(),
    onSuccess: () => setGoing(null),
    onSettled: () => readAnew(client, { topics: ["studio"] }),
  });
  const invite = (values: InvitationRequest) =>
    change.mutate({
      work: async () => {
        const done = await post<Done>("/people/invitations", values);
        form.reset();
        return done;
      },
      done: `${values.email} is invited. The letter lies in the outbox below.`,
    });
  const removal = ({ id, name }: MemberView) =>
    change.mutate({
      work: () => remove<Done>(`/people/${id}`),
      done: `${name} was removed, and has no way into this studio any more. They can be invited again.`,
    });
  const line = (member: MemberView) => {
    const { id, name, email, role } = member;
    return (
      <Group component="li" key={id} gap="sm" className={classes.person}>
        <div className={classes.who}>
          <Text fw={600}>{name}</Text>
          <Text className={classes.quiet}>{email}</Text>
        </div>
        <NativeSelect
          aria-label={`Part of ${name}`}
          data={OPTIONS}
          value={role}
          disabled={change.isPending}
          onChange={(event) => {
            const next = roleOf(event.currentTarget.value);
            change.mutate({
              work: () => patch<Done>(`/people/${id}`, { role: next }),
              done: `${name} is ${NOW_WORDS[next]} now.`,
            });
          }}
        />
        {going === id ? (
          <Group gap="xs">
            <Button
              color="red"
              aria-label={`Remove ${name} from the studio`}
              loading={change.isPending}
              onClick={() => removal(member)}
            >
              Remove from the studio
            </Button>
            <Button variant="default" autoFocus onClick={() => setGoing(null)}>
              Cancel
            </Button>
          </Group>
        ) : (
          <Button variant="default" aria-label={`Remove ${name}`} onClick={() => setGoing(id)}>
            Remove
          </Button>
        )}
      </Group>
    );
  };
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
          {change.variables.done}
        </Text>
      )}
      {people.isError && <Text role="alert">{people.error.message}</Text>}
      {people.data === undefined ? (
        <Skeleton height={120} />
      ) : (
        <ul className={classes.people}>{people.data.map(line)}</ul>
      )}
    </section>
  );
}
