import { TERMS, type TermId } from "@mirrup/catalogue";
import { Popover, Text, UnstyledButton } from "@mantine/core";
import type { ReactNode } from "react";
import classes from "./term.module.css";

/** A word of the field that explains itself when it is pressed. */
export function Term({ id, children }: { readonly id: TermId; readonly children?: ReactNode }) {
  const { name, meaning } = TERMS[id];
  return (
    <Popover width={280} position="bottom-start" withArrow shadow="md">
      <Popover.Target>
        <UnstyledButton component="button" type="button" className={classes.term}>
          {children ?? name}
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown>
        <Text size="sm">
          <strong>{name}</strong>: {meaning}
        </Text>
      </Popover.Dropdown>
    </Popover>
  );
}
