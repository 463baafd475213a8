import { ActionIcon, Group } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { IconArrowBackUp, IconArrowForwardUp } from "@tabler/icons-react";

interface UndoRedoProps {
  readonly size: "sm" | "md";
  /** Null where there is nothing to take back, or to do again. */
  readonly onUndo: (() => void) | null;
  readonly onRedo: (() => void) | null;
}

/** Takes the last change back and does it again: by two buttons and their keys. */
export function UndoRedo({ size, onUndo, onRedo }: UndoRedoProps) {
  useHotkeys([
    ["mod+Z", () => onUndo?.()],
    ["mod+shift+Z", () => onRedo?.()],
    ["mod+Y", () => onRedo?.()],
  ]);
  return (
    <Group gap="xs" wrap="nowrap">
      <ActionIcon
        variant="default"
        size={size === "md" ? 42 : 36}
        aria-label="Undo"
        disabled={onUndo === null}
        onClick={() => onUndo?.()}
      >
        <IconArrowBackUp size={20} aria-hidden />
      </ActionIcon>
      <ActionIcon
        variant="default"
        size={size === "md" ? 42 : 36}
        aria-label="Redo"
        disabled={onRedo === null}
        onClick={() => onRedo?.()}
      >
        <IconArrowForwardUp size={20} aria-hidden />
      </ActionIcon>
    </Group>
  );
}
