import { Button, Group, Text } from "@mantine/core";
import { notifications } from "@mantine/notifications";

/** Says what was done, with a way back for as long as it is shown. */
export function offerUndo(done: string, undo: () => void): void {
  const id = notifications.show({
    withBorder: true,
    color: "ink",
    closeButtonProps: { "aria-label": "Close" },
    message: (
      <Group justify="space-between" wrap="nowrap">
        <Text>{done}</Text>
        <Button
          variant="default"
          // On a phone the words give way, not the way back.
          flex="none"
          onClick={() => {
            notifications.hide(id);
            undo();
          }}
        >
          Undo
        </Button>
      </Group>
    ),
  });
}

/** Says what went wrong, in the words that came with it. */
export function tellFault(error: unknown): void {
  const message = error instanceof Error ? error.message : "It could not be done. Try again.";
  notifications.show({ withBorder: true, color: "red", title: "Not done", message });
}

/** Says something that is good to know and asks for nothing. */
export function tellNote(message: string): void {
  notifications.show({
    withBorder: true,
    color: "ink",
    message,
    closeButtonProps: { "aria-label": "Close" },
  });
}
