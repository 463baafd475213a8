import { CATALOGUE, STARTER_COMBOS } from "@mirrup/catalogue";
import type { ComboView } from "@mirrup/contract";
import { scoreOf } from "@mirrup/core";
import { comboText, partsOfScore } from "@mirrup/core/combos";
import { ActionIcon, Button, Menu, Skeleton, Text, TextInput, Title } from "@mantine/core";
import { IconDots, IconSearch } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { useSearchKey } from "../app/reach.js";
import { useMayTeach } from "../account/index.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { addressOfParts } from "./bench-address.js";
import { ComboCard } from "./combo-card.js";
import classes from "./combos.module.css";
import { combosQuery, comboStandingsQuery, namesOf } from "./queries.js";
import { useFor } from "./use-for.js";
import { useKeep } from "./use-keep.js";
import { partName } from "./words.js";

const STARTERS = STARTER_COMBOS.map((one) => ({
  ...one,
  parts: partsOfScore(CATALOGUE, scoreOf(one.score)),
}));

function matches(words: string, ...texts: readonly string[]): boolean {
  const sought = words.trim().toLowerCase();
  return texts.some((text) => text.toLowerCase().includes(sought));
}

/** What can be chained, kept by the studio, and what to begin with. */
export function ShelfPage() {
  const paths = usePaths();
  const [params] = useSearchParams();
  const { id: studentId, students } = useFor();
  const combos = useQuery(combosQuery);
  const standings = useQuery({ ...comboStandingsQuery(studentId ?? ""), enabled: studentId !== null });
  const [words, setWords] = useState("");
  const search = useRef<HTMLInputElement>(null);
  useSearchKey(search);
  const mayTeach = useMayTeach();
  const { takeOff } = useKeep();
  const failure = failureOf(combos);
  if (failure !== null) {
    return (
      <Fault title="The combos could not be read" onRetry={() => void combos.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  const names = namesOf(combos.data);
  const query = params.get("for") === null ? "" : `?for=${params.get("for") ?? ""}`;
  const benchOf = ({ id, parts }: Pick<ComboView, "id" | "parts">, name?: string) => {
    const asked = new URLSearchParams(query);
    asked.set("parts", addressOfParts(parts));
    asked.set("from", id);
    if (name !== undefined) asked.set("name", name);
    return `${paths.comboPage("bench")}?${asked.toString()}`;
  };
  const shown = (combos.data ?? []).filter(
    (combo) =>
      !combo.isRemoved &&
      matches(words, combo.name, comboText(combo.parts), ...combo.parts.map((part) => partName(part, names))),
  );
  const starters = STARTERS.filter(({ name, score, note, parts }) =>
    matches(words, name, score, note, ...parts.map((part) => partName(part, names))),
  );
  const name = students.find((student) => student.id === studentId)?.name;
  return (
    <div className={classes.shelf}>
      <div className={classes.shelfTools}>
        <TextInput
          ref={search}
          aria-label="Find a combo by its name, its moves or its score"
          placeholder="Find a combo  ( / )"
          leftSection={<IconSearch size={18} aria-hidden />}
          size="md"
          value={words}
          onChange={(event) => setWords(event.currentTarget.value)}
        />
        <Button component={Link} to={`${paths.comboPage("bench")}${query}`} size="md">
          Build one
        </Button>
        <Button component={Link} to={`${paths.comboPage("make")}${query}`} size="md" variant="default">
          Suggest some
        </Button>
      </div>
      <section aria-label="Saved combos">
        <Title order={2}>Saved{name === undefined ? "" : `, as ${name} stands with them`}</Title>
        {combos.isPending && <Skeleton height={140} mt="sm" />}
        {combos.data !== undefined && shown.length === 0 && (
          <Text mt="xs">
            {words === ""
              ? "No combo is saved yet. Begin with one of those below, build one on the bench, or have some suggested for a student."
              : `No saved combo matches “${words}”.`}
          </Text>
        )}
        <ul className={classes.cards}>
          {shown.map((combo) => (
            <ComboCard
              key={combo.id}
              title={<Link to={`${paths.combo(combo.id)}${query}`}>{combo.name}</Link>}
              parts={combo.parts}
              studentId={studentId}
              standings={(standings.data ?? []).filter((one) => one.comboId === combo.id)}
              note={[combo.note, combo.linkedAt === null ? "" : "Shared by a link."]
                .filter(Boolean)
                .join(" ")}
            >
              <Menu position="bottom-end">
                <Menu.Target>
                  <ActionIcon variant="subtle" size={44} aria-label={`More for ${combo.name}`}>
                    <IconDots size={20} aria-hidden />
                  </ActionIcon>
                </Menu.Target>
                <Menu.Dropdown>
                  <Menu.Item component={Link} to={`${paths.combo(combo.id)}${query}`}>
                    Learn, call, share
                  </Menu.Item>
                  <Menu.Item component={Link} to={benchOf(combo)}>
                    Open on the bench
                  </Menu.Item>
                  {mayTeach && (
                    <Menu.Item onClick={() => takeOff(combo, () => undefined)}>
                      Remove from the shelf
                    </Menu.Item>
                  )}
                </Menu.Dropdown>
              </Menu>
            </ComboCard>
          ))}
        </ul>
      </section>
      <section aria-label="To begin with">
        <Title order={2}>To begin with</Title>
        {starters.length === 0 && <Text mt="xs">None of them matches “{words}”.</Text>}
        <ul className={classes.cards}>
          {starters.map((one) => (
            <ComboCard key={one.id} title={one.name} parts={one.parts} note={one.note} studentId={studentId}>
              <Button component={Link} to={benchOf(one, one.name)} variant="default">
                Open on the bench
              </Button>
            </ComboCard>
          ))}
        </ul>
      </section>
    </div>
  );
}
