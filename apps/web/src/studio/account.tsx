import type { Done, PasswordRequest } from "@mirrup/contract";
import { passwordRequest } from "@mirrup/contract/schemas";
import { Button, Group, Modal, PasswordInput, Text, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { sessionQuery } from "../account/index.js";
import { post } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { pathsOf } from "../app/paths.js";
import { forgetReadings, useOutbox } from "../outbox/index.js";
import classes from "./studio-page.module.css";

type Way = "sign-out" | "sign-out-everywhere";

function ChangePassword() {
  const [said, setSaid] = useState<string | null>(null);
  const form = useForm<PasswordRequest>({
    initialValues: { current: "", next: "" },
    validate: fits(passwordRequest),
  });
  const change = async (values: PasswordRequest) => {
    try {
      await post<Done>("/auth/password", values);
      form.reset();
      setSaid("The password is changed, and you are signed out everywhere else.");
    } catch (error) {
      setSaid(error instanceof Error ? error.message : null);
    }
  };
  return (
    <form className={classes.form} onSubmit={form.onSubmit((values) => void change(values))}>
      <PasswordInput
        label="Present password"
        autoComplete="current-password"
        size="md"
        w={240}
        {...form.getInputProps("current")}
      />
      <PasswordInput
        label="New password"
        autoComplete="new-password"
        size="md"
        w={240}
        {...form.getInputProps("next")}
      />
      <Button type="submit" size="md" variant="default">
        Change password
      </Button>
      {said !== null && <Text role="status">{said}</Text>}
    </form>
  );
}

/** Signing out, after a warning where sets of one's own still wait on the device. */
function SignOut() {
  const navigate = useNavigate();
  const { waiting } = useOutbox();
  const [asked, setAsked] = useState<Way | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const leave = async (way: Way) => {
    try {
      await post<Done>(`/auth/${way}`);
      await forgetReadings();
      await navigate("/sign-in", { replace: true });
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : null);
    }
  };
  const ask = (way: Way) => (waiting.length > 0 ? setAsked(way) : void leave(way));
  return (
    <>
      <Group>
        <Button size="md" variant="default" onClick={() => ask("sign-out")}>
          Sign out
        </Button>
        <Button size="md" variant="default" onClick={() => ask("sign-out-everywhere")}>
          Sign out everywhere
        </Button>
        {refusal !== null && <Text role="alert">{refusal}</Text>}
      </Group>
      <Modal
        opened={asked !== null}
        onClose={() => setAsked(null)}
        title="Not everything is sent"
        closeButtonProps={{ "aria-label": "Close" }}
      >
        <Text>
          {waiting.length === 1 ? "1 set still waits" : `${waiting.length} sets still wait`} on this device.
          They stay here and are sent when you sign in again on it.
        </Text>
        <Group mt="md">
          <Button onClick={() => asked !== null && void leave(asked)}>Sign out all the same</Button>
          <Button variant="default" onClick={() => setAsked(null)}>
            Stay
          </Button>
        </Group>
      </Modal>
    </>
  );
}

/** One's own account, and one's other studios. */
export function Account() {
  const { studioId } = useParams();
  const session = useQuery(sessionQuery);
  const others = session.data?.memberships.filter((one) => one.studioId !== studioId) ?? [];
  return (
    <section>
      <Title order={2}>You</Title>
      <Text mb="sm">
        {session.data?.person?.name}, {session.data?.person?.email}
      </Text>
      {others.length > 0 && (
        <Group mb="md">
          <Text>Your other studios:</Text>
          {others.map((one) => (
            <Button key={one.studioId} component={Link} to={pathsOf(one.studioId).students} variant="default">
              {one.studioName}
            </Button>
          ))}
        </Group>
      )}
      <ChangePassword />
      <SignOut />
    </section>
  );
}
