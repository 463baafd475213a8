import { ActionIcon, Kbd, Modal, Table, Tooltip } from "@mantine/core";
import { useDisclosure, useHotkeys } from "@mantine/hooks";
import { IconKeyboard } from "@tabler/icons-react";

const KEYS = [
  ["/", "search on this screen"],
  ["?", "these keys"],
  ["← → ↑ ↓", "on the strands: walk from bead to bead"],
  ["Enter", "on a bead: take it in hand"],
  ["+ − 0", "on the strands: closer, further, the whole map"],
  ["1 2 3", "at placement: clean, nearly, no; Z takes the last answer back"],
  ["Esc", "let go of a bead, close a window"],
  ["Space", "on the floor: clean"],
  ["M", "on the floor: miss"],
  ["Z", "on the floor: undo"],
  ["1 to 9", "on the floor, after a miss: why; in a combo, where"],
  ["T", "on the floor: tap the tempo"],
  ["V", "on the floor and by the clock: counts, moves and rests said aloud, or not"],
  ["P", "on the floor: pause a count that goes on by itself"],
  ["Ctrl Z", "on a session, a class plan and the combo bench: undo; Ctrl Y does it again"],
  ["N S +", "in the hall: next, skip the turn, two minutes more"],
  ["A", "in the hall: who is here"],
  ["Enter", "on the floor: finish the set, then start what comes next"],
] as const;

/** The keys of the screens, behind `?` and a button. */
export function KeysHelp() {
  const [opened, { open, close }] = useDisclosure(false);
  useHotkeys([["shift+?", open, { usePhysicalKeys: false }]]);
  return (
    <>
      <Tooltip label="Keys (?)" position="right">
        <ActionIcon variant="subtle" size={44} onClick={open} aria-label="Show the keys" c="#c9ced9">
          <IconKeyboard size={22} stroke={1.6} aria-hidden />
        </ActionIcon>
      </Tooltip>
      <Modal opened={opened} onClose={close} title="Keys" closeButtonProps={{ "aria-label": "Close" }}>
        <Table>
          <Table.Tbody>
            {KEYS.map(([key, what]) => (
              <Table.Tr key={`${key} ${what}`}>
                <Table.Td>
                  <Kbd>{key}</Kbd>
                </Table.Td>
                <Table.Td>{what}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Modal>
    </>
  );
}
