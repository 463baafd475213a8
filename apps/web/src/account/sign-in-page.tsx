import type { SessionView, SignInRequest } from "@mirrup/contract";
import { signInRequest } from "@mirrup/contract/schemas";
import { Anchor, Button, Divider, PasswordInput, Text, TextInput, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { Link, Navigate } from "react-router";
import { post } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { Card } from "./card.js";
import { sessionQuery } from "./queries.js";
import { useBegin } from "./use-begin.js";

export function SignInPage() {
  useDocumentTitle("Sign in · Mirrup");
  const session = useQuery(sessionQuery);
  const { begin, busy, refusal } = useBegin();
  const form = useForm<SignInRequest>({
    initialValues: { email: "", password: "" },
    validate: fits(signInRequest),
  });
  const { isSetUp = true, hasDemo = false } = session.data ?? {};
  if (!isSetUp && !hasDemo) return <Navigate to="/set-up" replace />;
  const demo = hasDemo && (
    <>
      <Button
        size="md"
        variant="default"
        disabled={busy}
        onClick={() => void begin(() => post<SessionView>("/auth/demo"))}
      >
        Look around the demo club
      </Button>
      <Text size="sm">As its coach, with made-up students. Whatever you do there stays there.</Text>
    </>
  );
  return (
    <Card title={isSetUp ? "Sign in" : "Welcome"} refusal={refusal}>
      {!isSetUp && (
        <>
          <Button component={Link} to="/set-up" size="md">
            Set up your own studio
          </Button>
          <Text size="sm">Yours alone, with your students. The demo club stays beside it.</Text>
          {demo}
          <Divider />
          <Title order={2} size="h4">
            Sign in
          </Title>
        </>
      )}
      <form
        onSubmit={form.onSubmit((values) => void begin(() => post<SessionView>("/auth/sign-in", values)))}
      >
        <TextInput
          label="E-mail"
          type="email"
          autoComplete="username"
          size="md"
          {...form.getInputProps("email")}
        />
        <PasswordInput
          label="Password"
          autoComplete="current-password"
          size="md"
          {...form.getInputProps("password")}
        />
        <Button type="submit" size="md" loading={busy} {...(isSetUp ? {} : { variant: "default" })}>
          Sign in
        </Button>
        <Anchor component={Link} to="/forgot" c="inherit">
          Forgotten the password?
        </Anchor>
      </form>
      {isSetUp && hasDemo && (
        <>
          <Divider label="or" />
          {demo}
        </>
      )}
    </Card>
  );
}
