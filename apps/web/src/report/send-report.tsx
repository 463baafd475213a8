import type { Done } from "@mirrup/contract";
import { reportLetter } from "@mirrup/contract/schemas";
import { Button, Group, Text, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation } from "@tanstack/react-query";
import { useMayTeach } from "../account/index.js";
import { post } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import classes from "./report-page.module.css";

interface SendReportProps {
  readonly studentId: string;
  readonly text: string;
}

/** Sends the report's words to one address, by the studio's outgoing mail. */
export function SendReport({ studentId, text }: SendReportProps) {
  const mayTeach = useMayTeach();
  const form = useForm({
    initialValues: { to: "" },
    validate: ({ to }) => fits(reportLetter)({ to: to.trim(), text }),
  });
  const send = useMutation({
    mutationFn: (to: string) => post<Done>(`/students/${studentId}/report-letter`, { to, text }),
    onSuccess: () => form.reset(),
  });
  if (!mayTeach) return null;
  return (
    <form
      className={classes.tools}
      onSubmit={form.onSubmit(({ to }) => send.mutate(to.trim()))}
      aria-label="Send it by mail"
    >
      <Group align="flex-end" gap="sm">
        <TextInput
          label="Send it by mail to"
          description="In words, without the pictures; to whoever may have it, and nobody else."
          placeholder="name@…"
          type="email"
          size="md"
          w={340}
          {...form.getInputProps("to")}
        />
        <Button type="submit" variant="default" size="md" loading={send.isPending}>
          Send
        </Button>
      </Group>
      {send.isError && (
        <Text role="alert" mt="xs">
          {send.error.message}
        </Text>
      )}
      {send.isSuccess && (
        <Text role="status" mt="xs">
          On its way to {send.variables}. Where no mail server is set up it lies in the studio’s outbox.
        </Text>
      )}
    </form>
  );
}
