import { Button, Menu, type ButtonProps } from "@mantine/core";
import { IconChevronDown } from "@tabler/icons-react";
import { useMutation } from "@tanstack/react-query";
import { saveSheet, SHEET_KINDS, type SheetKind } from "./save-sheet.js";
import type { Sheet } from "./sheet.js";
import { tellFault } from "./undo.js";
import { capital } from "./words.js";

interface SheetButtonProps extends Pick<ButtonProps, "variant" | "size" | "disabled" | "px" | "className"> {
  /** The file's, without its ending. */
  readonly name: string;
  /** What is saved, where there is more than one thing on the page. */
  readonly of?: string;
  readonly make: () => Sheet | Promise<Sheet>;
  readonly children?: string;
}

/** Offers a table for other programs: as CSV, or as a spreadsheet's own file. */
export function SheetButton({ name, of, make, children = "Save", ...look }: SheetButtonProps) {
  const save = useMutation({
    mutationFn: async (kind: SheetKind) => saveSheet(name, kind, await make()),
    onError: tellFault,
  });
  return (
    <Menu position="bottom-start">
      <Menu.Target>
        <Button
          variant="default"
          {...look}
          aria-label={of === undefined ? undefined : `${children}: ${of}`}
          loading={save.isPending}
          rightSection={<IconChevronDown size={16} aria-hidden />}
        >
          {children}
        </Button>
      </Menu.Target>
      <Menu.Dropdown>
        {SHEET_KINDS.map(([kind, words]) => (
          <Menu.Item key={kind} onClick={() => save.mutate(kind)}>
            {capital(words)}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}
