import type { Done, InvitationUse, ResetRequest, ResetUse, SessionView } from "@mirrup/contract";
import { invitationUse, resetRequest, resetUse } from "@mirrup/contract/schemas";
import { Anchor, Button, PasswordInput, Text, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useDocumentTitle } from "@mantine/hooks";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { post } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { Card } from "./card.js";
import { useBegin } from "./use-begin.js";

/** The token of a one-time link: after the #, so that no server's log ever holds it. */
function useToken(): string {
  return useLocation().hash.slice(1);
}

function BackToSignIn() {
  return (
    <Anchor component={Link} to="/sign-in" c="inherit">
      Back to sign in
    </Anchor>
  );
}

/** Asks for a link to a new password. */
export function ForgotPage() {
  useDocumentTitle("New password · Mirrup");
  const [sent, setSent] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const form = useForm<ResetRequest>({ initialValues: { email: "" }, validate: fits(resetRequest) });
  const send = async (values: ResetRequest) => {
    try {
      await post<Done>("/auth/reset-requests", values);
      setSent(true);
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : null);
    }
  };
  return (
    <Card title="A new password" refusal={refusal}>
      {sent ? (
        <Text role="status">
          If there is an account with this e-mail, a link is on its way to it. It can be used once, within two
          hours.
        </Text>
      ) : (
        <form onSubmit={form.onSubmit((values) => void send(values))}>
          <TextInput
            label="E-mail"
            type="email"
            autoComplete="username"
            size="md"
            {...form.getInputProps("email")}
          />
          <Button type="submit" size="md">
            Send a link
          </Button>
        </form>
      )}
      <BackToSignIn />
    </Card>
  );
}

/** Chooses a new password, by a one-time link. */
export function ResetPage() {
  useDocumentTitle("New password · Mirrup");
  const token = useToken();
  const { begin, busy, refusal } = useBegin();
  const form = useForm<ResetUse>({ initialValues: { token, password: "" }, validate: fits(resetUse) });
  return (
    <Card title="Choose a new password" refusal={refusal}>
      <form onSubmit={form.onSubmit((values) => void begin(() => post<SessionView>("/auth/resets", values)))}>
        <PasswordInput
          label="New password"
          description="At least ten characters. You are signed out everywhere else."
          autoComplete="new-password"
          size="md"
          {...form.getInputProps("password")}
        />
        {form.errors.token !== undefined && (
          <Text role="alert">This link is incomplete. Open it from the letter again.</Text>
        )}
        <Button type="submit" size="md" loading={busy}>
          Use this password
        </Button>
      </form>
      <BackToSignIn />
    </Card>
  );
}

/** Joins a studio, by a one-time link. */
export function JoinPage() {
  useDocumentTitle("Join · Mirrup");
  const token = useToken();
  const { begin, busy, refusal } = useBegin();
  const form = useForm<InvitationUse>({
    initialValues: { token, name: "", password: "" },
    validate: fits(invitationUse),
  });
  return (
    <Card title="Join a studio" refusal={refusal}>
      <form
        onSubmit={form.onSubmit((values) => void begin(() => post<SessionView>("/auth/joinings", values)))}
      >
        <TextInput label="Your name" autoComplete="name" size="md" {...form.getInputProps("name")} />
        <PasswordInput
          label="A password"
          description="At least ten characters. If you have an account already, its own password."
          autoComplete="new-password"
          size="md"
          {...form.getInputProps("password")}
        />
        {form.errors.token !== undefined && (
          <Text role="alert">This link is incomplete. Open it from the letter again.</Text>
        )}
        <Button type="submit" size="md" loading={busy}>
          Join
        </Button>
      </form>
    </Card>
  );
}
