import { PAIR_WISHES, type PairChange, type PairWish, type StudentPair } from "@mirrup/contract";
import { ActionIcon, Button, NativeSelect, Popover, Select, Text } from "@mantine/core";
import { IconTrash } from "@tabler/icons-react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { put } from "../app/api.js";
import { pairsQuery } from "./queries.js";
import classes from "./means.module.css";

export interface Named {
  readonly id: string;
  readonly name: string;
}

const WISH_NAMES: Readonly<Record<PairWish, string>> = { apart: "apart", together: "together" };

/** Who of these are to be at no station together, or at the same; kept for every class of the studio. */
export function PairsField({ students }: { readonly students: readonly Named[] }) {
  const pairs = useQuery(pairsQuery);
  const client = useQueryClient();
  const say = useMutation({
    mutationFn: (change: PairChange) => put<{ readonly items: readonly StudentPair[] }>("/pairs", change),
    onSuccess: ({ items }) => {
      client.setQueryData(pairsQuery.queryKey, items);
      return client.invalidateQueries({
        queryKey: ["lessons"],
        predicate: ({ queryKey: [, , part] }) => part === "options",
      });
    },
  });
  const names = new Map(students.map((one) => [one.id, one.name]));
  const here = (pairs.data ?? []).filter((pair) => pair.students.every((id) => names.has(id)));
  return (
    <Popover trapFocus position="bottom-start" shadow="md" withinPortal>
      <Popover.Target>
        <Button variant="default" size="md">
          Pairs{here.length > 0 && `: ${here.length}`}
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <div className={classes.panel}>
          <h3>Apart or together</h3>
          {pairs.isError && <Text c="red">{pairs.error.message}</Text>}
          {here.length === 0 && !pairs.isError && (
            <Text className={classes.hint}>
              Nobody here is kept apart or together. What you say holds for every class; viewers do not see
              it.
            </Text>
          )}
          <ul className={classes.pairs}>
            {here.map(({ students: pair, wish }) => {
              const [one, other] = pair.map((id) => names.get(id) ?? "Somebody").sort();
              return (
                <li key={pair.join(" ")}>
                  <span>
                    {one} and {other}: <strong>{WISH_NAMES[wish]}</strong>
                  </span>
                  <ActionIcon
                    variant="default"
                    size="xl"
                    aria-label={`Remove the rule for ${one} and ${other}`}
                    onClick={() => say.mutate({ students: pair, wish: null })}
                  >
                    <IconTrash size={20} />
                  </ActionIcon>
                </li>
              );
            })}
          </ul>
          <NewPair students={students} isSaving={say.isPending} onSay={(change) => say.mutate(change)} />
          {say.isError && (
            <Text c="red" role="alert">
              {say.error.message}
            </Text>
          )}
        </div>
      </Popover.Dropdown>
    </Popover>
  );
}

interface NewPairProps {
  readonly students: readonly Named[];
  readonly isSaving: boolean;
  readonly onSay: (change: PairChange) => void;
}

function NewPair({ students, isSaving, onSay }: NewPairProps) {
  const [one, setOne] = useState<string | null>(null);
  const [other, setOther] = useState<string | null>(null);
  const [wish, setWish] = useState<PairWish>("apart");
  const choices = (without: string | null) =>
    students.filter(({ id }) => id !== without).map(({ id, name }) => ({ value: id, label: name }));
  const who = { size: "md", searchable: true, comboboxProps: { withinPortal: false } } as const;
  return (
    <form
      className={classes.row}
      onSubmit={(event) => {
        event.preventDefault();
        if (one === null || other === null) return;
        onSay({ students: [one, other], wish });
        setOne(null);
        setOther(null);
      }}
    >
      <Select {...who} label="One" value={one} data={choices(other)} onChange={setOne} />
      <Select {...who} label="The other" value={other} data={choices(one)} onChange={setOther} />
      <NativeSelect
        label="Are to be"
        size="md"
        data={PAIR_WISHES.map((value) => ({ value, label: WISH_NAMES[value] }))}
        value={wish}
        onChange={({ currentTarget: { value } }) =>
          setWish(PAIR_WISHES.find((each) => each === value) ?? "apart")
        }
      />
      <Button type="submit" size="md" disabled={one === null || other === null} loading={isSaving}>
        Save the rule
      </Button>
    </form>
  );
}
