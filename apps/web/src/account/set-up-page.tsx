import type { SessionView, SetUpRequest } from "@mirrup/contract";
import { setUpRequest } from "@mirrup/contract/schemas";
import { Anchor, Button, PasswordInput, Text, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { Link, Navigate } from "react-router";
import { post } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { Card } from "./card.js";
import { sessionQuery } from "./queries.js";
import { NEW_STUDIO, StudioFields } from "./studio-fields.js";
import { useBegin } from "./use-begin.js";

/** Makes the first studio, beside the demo club where that is there, and its owner. Gone once that is done. */
export function SetUpPage() {
  useDocumentTitle("Set up · Mirrup");
  const session = useQuery(sessionQuery);
  const { begin, busy, refusal } = useBegin();
  const form = useForm<SetUpRequest>({
    initialValues: {
      ...NEW_STUDIO,
      name: "",
      email: "",
      password: "",
    },
    validate: fits(setUpRequest),
  });
  if (session.data?.isSetUp === true && !busy) return <Navigate to="/" replace />;
  return (
    <Card title="Set up your studio" refusal={refusal}>
      <form
        onSubmit={form.onSubmit(
          (values) => void begin(() => post<SessionView>("/auth/set-up", values), "start"),
        )}
      >
        <StudioFields form={form} />
        <TextInput label="Your name" autoComplete="name" size="md" {...form.getInputProps("name")} />
        <TextInput
          label="Your e-mail"
          type="email"
          autoComplete="username"
          size="md"
          {...form.getInputProps("email")}
        />
        <PasswordInput
          label="A password"
          description="At least ten characters"
          autoComplete="new-password"
          size="md"
          {...form.getInputProps("password")}
        />
        <Button type="submit" size="md" loading={busy}>
          Set up
        </Button>
        <Text size="sm">You become the studio’s owner, and can invite coaches and viewers.</Text>
        {session.data?.hasDemo === true && (
          <Anchor component={Link} to="/sign-in" c="inherit">
            Look around the demo club first
          </Anchor>
        )}
      </form>
    </Card>
  );
}
