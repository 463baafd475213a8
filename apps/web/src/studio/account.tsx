import type { AccountChange, Done, PasswordRequest, PersonView } from "@mirrup/contract";
import { accountChange, passwordRequest } from "@mirrup/contract/schemas";
import { Button, PasswordInput, Text, TextInput, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { sessionQuery } from "../account/index.js";
import { patch, post } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { changeOf } from "./account-change.js";
import { SignOut } from "./sign-out.js";
import classes from "./studio-page.module.css";

/** What is said of an error, under the form that met it. */
const saidOf = (error: unknown) =>
  error instanceof Error ? error.message : "It could not be done. Try again.";

/** One's name, and the e-mail that one signs in with. */
function Who({ person }: { readonly person: PersonView }) {
  const client = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const form = useForm({
    initialValues: { name: person.name, email: person.email, current: "" },
    validate: (values) => fits(accountChange)(changeOf(person, values)),
  });
  const change: AccountChange = changeOf(person, form.values);
  const save = async () => {
    try {
      await patch<Done>("/auth/account", change);
      form.setFieldValue("current", "");
      setSaid("Saved.");
      await client.invalidateQueries({ queryKey: sessionQuery.queryKey });
    } catch (error) {
      setSaid(saidOf(error));
    }
  };
  return (
    <form className={classes.form} onSubmit={form.onSubmit(() => void save())}>
      <TextInput label="Your name" autoComplete="name" size="md" w={240} {...form.getInputProps("name")} />
      <TextInput
        label="Your e-mail"
        type="email"
        autoComplete="username"
        size="md"
        w={280}
        {...form.getInputProps("email")}
      />
      {change.email !== undefined && (
        <PasswordInput
          label="Your password, for a new e-mail"
          autoComplete="current-password"
          size="md"
          w={280}
          {...form.getInputProps("current")}
        />
      )}
      <Button type="submit" size="md" variant="default" disabled={Object.keys(change).length === 0}>
        Save
      </Button>
      {said !== null && <Text role="status">{said}</Text>}
    </form>
  );
}

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
      setSaid(saidOf(error));
    }
  };
  return (
    <form className={classes.form} onSubmit={form.onSubmit((values) => void change(values))}>
      <PasswordInput
        label="Current password"
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

/** One's own account. */
export function Account() {
  const session = useQuery(sessionQuery);
  const person = session.data?.person ?? null;
  return (
    <section>
      <Title order={2}>You</Title>
      {person !== null && <Who key={person.id} person={person} />}
      <ChangePassword />
      <SignOut />
    </section>
  );
}
