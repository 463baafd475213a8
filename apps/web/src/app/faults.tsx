import { Button, Container, Group, Text, Title } from "@mantine/core";
import type { ReactNode } from "react";
import { Link, useRouteError } from "react-router";

interface FaultProps {
  readonly title: string;
  readonly children: ReactNode;
  readonly onRetry?: () => void;
}

/** What happened and what to do about it, in place of what could not be shown. */
export function Fault({ title, children, onRetry }: FaultProps) {
  return (
    <Container size="sm" py="xl" role="alert">
      <Title order={2}>{title}</Title>
      <Text mt="sm">{children}</Text>
      <Group mt="lg">
        {onRetry !== undefined && <Button onClick={onRetry}>Try again</Button>}
        <Button component={Link} to="/" variant="default">
          Back to the start
        </Button>
      </Group>
    </Container>
  );
}

export function NoSuchPage() {
  return <Fault title="There is no such page">Check the address, or begin at the start.</Fault>;
}

/** A page that broke: shown in its place, so that the rest of the app stays usable. */
export function PageFault() {
  const error = useRouteError();
  const reason = error instanceof Error ? error.message : "";
  return (
    <Fault title="This page could not be shown" onRetry={() => window.location.reload()}>
      What was counted is kept on this device. {reason}
    </Fault>
  );
}
