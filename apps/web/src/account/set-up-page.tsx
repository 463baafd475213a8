import { SCHOOLS } from "@mirrup/catalogue";
import type { SessionView, SetUpRequest } from "@mirrup/contract";
import { setUpRequest } from "@mirrup/contract/schemas";
import { SCHOOL_IDS } from "@mirrup/core";
import { Anchor, Button, NativeSelect, PasswordInput, Text, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { Link, Navigate } from "react-router";
import { post } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { Card } from "./card.js";
import { sessionQuery } from "./queries.js";
import { useBegin } from "./use-begin.js";

const OWN_ZONE = Intl.DateTimeFormat().resolvedOptions().timeZone;
// A device set to UTC is in a zone that the list leaves out.
const ZONES = [...new Set([OWN_ZONE, ...Intl.supportedValuesOf("timeZone")])].map((zone) => ({
  value: zone,
  label: zone.replaceAll("_", " "),
}));

/** Makes the first studio, beside the demo club where that is there, and its owner. Gone once that is done. */
export function SetUpPage() {
  useDocumentTitle("Set up · Mirrup");
  const session = useQuery(sessionQuery);
  const { begin, busy, refusal } = useBegin();
  const form = useForm<SetUpRequest>({
    initialValues: {
      studioName: "",
      timeZone: OWN_ZONE,
      school: "quick-frontier",
      name: "",
      email: "",
      password: "",
    },
    validate: fits(setUpRequest),
  });
  if (session.data?.isSetUp === true && !busy) return <Navigate to="/" replace />;
  const school = SCHOOLS[form.values.school];
  return (
    <Card title="Set up your studio" refusal={refusal}>
      <form onSubmit={form.onSubmit((values) => void begin(() => post<SessionView>("/auth/set-up", values)))}>
        <TextInput label="Name of the studio" size="md" {...form.getInputProps("studioName")} />
        <NativeSelect label="Time zone" size="md" data={ZONES} {...form.getInputProps("timeZone")} />
        <NativeSelect
          label="School"
          description={school.reason}
          size="md"
          data={SCHOOL_IDS.map((id) => ({ value: id, label: SCHOOLS[id].name }))}
          {...form.getInputProps("school")}
        />
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
          <Anchor component={Link} to="/sign-in" c="ink.9">
            Look around the demo club first
          </Anchor>
        )}
      </form>
    </Card>
  );
}
