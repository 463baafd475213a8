import { Kbd, Modal, Table, Title } from "@mantine/core";
import { useLocation, useParams } from "react-router";
import { keysAt } from "./keys.js";

/** The keys of this page, of every page, and of the others. */
export function KeysHelp({ onClose }: { readonly onClose: () => void }) {
  const { studioId = "" } = useParams();
  const { pathname } = useLocation();
  return (
    <Modal opened onClose={onClose} title="Keys" closeButtonProps={{ "aria-label": "Close" }}>
      {keysAt(pathname.slice(`/${studioId}`.length)).map(({ name, keys }) => (
        <section key={name}>
          <Title order={3} size="h5" mt="sm">
            {name}
          </Title>
          <Table aria-label={name}>
            <Table.Tbody>
              {keys.map(([key, does]) => (
                <Table.Tr key={key}>
                  <Table.Td w={110}>
                    <Kbd>{key}</Kbd>
                  </Table.Td>
                  <Table.Td>{does}</Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        </section>
      ))}
    </Modal>
  );
}
