import { Combobox, Modal, TextInput, useCombobox } from "@mantine/core";
import { IconSearch } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { usePaths } from "../app/paths.js";
import { combosQuery } from "../combos/index.js";
import { programmes } from "../app/catalogue.js";
import { searchSkills } from "../skill-book/index.js";
import { archivedQuery, groupsQuery, SkillBead, studentsQuery } from "../students/index.js";
import { find, type Kind } from "./find.js";
import classes from "./finder.module.css";

const KIND_NAMES: Readonly<Record<Kind, string>> = {
  student: "Students",
  skill: "Skills",
  combo: "Combos",
  programme: "Programmes",
  group: "Groups",
  page: "Pages",
};

/** Whoever types finds without waiting for what is still being read. */
function useFindable() {
  const { studentId } = useParams();
  const paths = usePaths();
  const students = useQuery(studentsQuery).data ?? [];
  const archived = useQuery(archivedQuery).data ?? [];
  const groups = useQuery(groupsQuery).data ?? [];
  const combos = useQuery(combosQuery).data ?? [];
  const student = students.find(({ id }) => id === studentId) ?? null;
  return {
    students,
    archived,
    groups,
    combos,
    programmes: programmes(),
    student,
    paths,
    skills: searchSkills,
  };
}

/** A search over everything that has a page: a few letters, Enter, and one is there. */
export function Finder({ onClose }: { readonly onClose: () => void }) {
  const findable = useFindable();
  const navigate = useNavigate();
  const [words, setWords] = useState("");
  const combobox = useCombobox({ opened: true });
  const someone = findable.students[0]?.name.split(/\s+/)[0];
  const found = find(words, findable);
  // The likest is chosen beforehand: letters and Enter are enough.
  const { selectFirstOption } = combobox;
  useEffect(() => {
    selectFirstOption();
  }, [words, selectFirstOption]);
  const go = (to: string) => {
    onClose();
    void navigate(to);
  };
  return (
    <Modal
      opened
      onClose={onClose}
      withCloseButton={false}
      size="lg"
      padding={0}
      title={undefined}
      aria-label="Find"
      transitionProps={{ duration: 0 }}
    >
      <Combobox store={combobox} onOptionSubmit={go}>
        <Combobox.EventsTarget withExpandedAttribute>
          <TextInput
            data-autofocus
            aria-label="Find a student, a skill, a combo or a page"
            placeholder="A student, a skill, a combo, a page"
            leftSection={<IconSearch size={20} aria-hidden />}
            size="lg"
            variant="unstyled"
            className={classes.words}
            maxLength={80}
            value={words}
            onChange={(event) => setWords(event.currentTarget.value)}
            // A list that is always open keeps the key from the window around it.
            onKeyDown={(event) => event.key === "Escape" && onClose()}
          />
        </Combobox.EventsTarget>
        <Combobox.Options className={classes.found} aria-label="What was found" tabIndex={0}>
          {[...found].map(([kind, things]) => (
            <Combobox.Group key={kind} label={KIND_NAMES[kind]}>
              {things.map(({ name, about, to, bead }) => (
                <Combobox.Option key={to} value={to} className={classes.one}>
                  <span className={classes.name}>
                    {bead !== undefined && <SkillBead {...bead} size={24} />}
                    {name}
                  </span>
                  <span className={classes.about}>{about}</span>
                </Combobox.Option>
              ))}
            </Combobox.Group>
          ))}
          {found.size === 0 && (
            <Combobox.Empty className={classes.none}>
              Nothing is called “{words}”. Try fewer letters, or another of its names.
            </Combobox.Empty>
          )}
        </Combobox.Options>
      </Combobox>
      {someone !== undefined && (
        <p className={classes.hint} aria-hidden>
          A name and a page go straight there: “{someone.toLowerCase()} rec” is the record of {someone}.
        </p>
      )}
    </Modal>
  );
}
