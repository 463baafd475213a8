import type { Done, Membership, NewStudio } from "@mirrup/contract";
import { newStudio } from "@mirrup/contract/schemas";
import { Alert, Button, Group, Modal, Stack, Text, TextInput, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { Link, useNavigate } from "react-router";
import { NEW_STUDIO, sessionQuery, StudioFields } from "../account/index.js";
import { post, remove } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { pathsOf } from "../app/paths.js";

interface DialogProps {
  readonly opened: boolean;
  readonly onClose: () => void;
}

function Sheet({
  opened,
  onClose,
  title,
  children,
}: DialogProps & { readonly title: string; readonly children: ReactNode }) {
  return (
    <Modal opened={opened} onClose={onClose} title={title} closeButtonProps={{ "aria-label": "Close" }}>
      <Stack>{children}</Stack>
    </Modal>
  );
}

function Refusal({ error }: { readonly error: Error | null }) {
  if (error === null) return null;
  return (
    <Alert color="red" variant="outline" role="alert">
      {error.message}
    </Alert>
  );
}

/** Another studio of one's own, opened as soon as it is made. */
function Another({ opened, onClose }: DialogProps) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const form = useForm<NewStudio>({ initialValues: NEW_STUDIO, validate: fits(newStudio) });
  const make = useMutation({
    mutationFn: (values: NewStudio) => post<Membership>("/studios", values),
    onSuccess: async ({ studioId }) => {
      await client.invalidateQueries({ queryKey: sessionQuery.queryKey });
      await navigate(pathsOf(studioId).start);
      onClose();
    },
  });
  return (
    <Sheet opened={opened} onClose={onClose} title="Another studio">
      <form onSubmit={form.onSubmit((values) => make.mutate(values))}>
        <Stack>
          <StudioFields form={form} />
          <Refusal error={make.error} />
          <Group>
            <Button type="submit" size="md" loading={make.isPending}>
              Make the studio
            </Button>
            <Button variant="default" size="md" onClick={onClose}>
              Cancel
            </Button>
          </Group>
        </Stack>
      </form>
    </Sheet>
  );
}

/** What is done where one goes from a studio: its pages are of no use any more. */
function useGoing(work: () => Promise<Done>) {
  const client = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: work,
    onSuccess: async () => {
      await navigate("/", { replace: true });
      await client.invalidateQueries({ queryKey: sessionQuery.queryKey });
    },
  });
}

function Leave({ opened, onClose, membership }: DialogProps & { readonly membership: Membership }) {
  const leave = useGoing(() => remove<Done>("/people/me"));
  return (
    <Sheet opened={opened} onClose={onClose} title={`Leave ${membership.studioName}?`}>
      <Text>
        You see nothing of it any more until somebody invites you again. What you counted stays in its
        students’ records.
      </Text>
      <Refusal error={leave.error} />
      <Group>
        <Button color="red" size="md" loading={leave.isPending} onClick={() => leave.mutate()}>
          Leave the studio
        </Button>
        <Button variant="default" size="md" onClick={onClose}>
          Stay
        </Button>
      </Group>
    </Sheet>
  );
}

function Delete({ opened, onClose, membership }: DialogProps & { readonly membership: Membership }) {
  const [typed, setTyped] = useState("");
  const erase = useGoing(() => remove<Done>("/studios/mine", { studioName: typed }));
  return (
    <Sheet opened={opened} onClose={onClose} title={`Delete ${membership.studioName} for good?`}>
      <Text>
        Its students, their records, lessons, combos and people’s parts in it are gone at once, and cannot be
        brought back but from a backup.
      </Text>
      <TextInput
        label="The name of the studio, to be sure"
        size="md"
        value={typed}
        onChange={(event) => setTyped(event.currentTarget.value)}
      />
      <Refusal error={erase.error} />
      <Group>
        <Button
          color="red"
          size="md"
          disabled={typed.trim() !== membership.studioName.trim()}
          loading={erase.isPending}
          onClick={() => erase.mutate()}
        >
          Delete everything
        </Button>
        <Button variant="default" size="md" onClick={onClose}>
          Cancel
        </Button>
      </Group>
    </Sheet>
  );
}

type Dialog = "another" | "leave" | "delete";

/** One's studios: the others, another one, and the ways out of this one. */
export function Studios({ membership }: { readonly membership: Membership }) {
  const session = useQuery(sessionQuery);
  const [open, setOpen] = useState<Dialog | null>(null);
  const others = session.data?.memberships.filter((one) => one.studioId !== membership.studioId) ?? [];
  const dialog = (which: Dialog) => ({ opened: open === which, onClose: () => setOpen(null) });
  return (
    <section>
      <Title order={2}>Your studios</Title>
      {others.length > 0 && (
        <Group mb="md">
          <Text>Go to:</Text>
          {others.map((one) => (
            <Button key={one.studioId} component={Link} to={pathsOf(one.studioId).students} variant="default">
              {one.studioName}
            </Button>
          ))}
        </Group>
      )}
      <Group>
        <Button size="md" variant="default" onClick={() => setOpen("another")}>
          Make another studio
        </Button>
        <Button size="md" variant="default" onClick={() => setOpen("leave")}>
          Leave {membership.studioName}
        </Button>
        {membership.role === "owner" && (
          <Button size="md" variant="outline" color="red" onClick={() => setOpen("delete")}>
            Delete {membership.studioName}
          </Button>
        )}
      </Group>
      <Another {...dialog("another")} />
      <Leave {...dialog("leave")} membership={membership} />
      <Delete {...dialog("delete")} membership={membership} />
    </section>
  );
}
