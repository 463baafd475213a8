import { sidesOf, type SideName, type Skill } from "@mirrup/core";
import { partOfSkill, type ComboPart } from "@mirrup/core/combos";
import { isMet } from "@mirrup/core/teaching";
import { Button, SegmentedControl, TextInput } from "@mantine/core";
import { IconSearch } from "@tabler/icons-react";
import { useRef, useState } from "react";
import { catalogue } from "../app/catalogue.js";
import { useSearchKey } from "../app/reach.js";
import { capital, STATUS_NAMES } from "../app/words.js";
import { Bead, codedBead } from "../beads/index.js";
import { familyOf } from "../app/family.js";
import { searchSkills } from "../skill-book/index.js";
import { comboPart, type KnownCombo } from "./combo-part.js";
import classes from "./bench.module.css";
import type { ComboStudent } from "./combo-student.js";

const LETTERS: Readonly<Record<SideName, string>> = { left: "Left", right: "Right", whole: "Add" };

interface PaletteProps {
  readonly student: ComboStudent | undefined;
  readonly combos: readonly KnownCombo[];
  readonly onAdd: (part: ComboPart) => void;
}

function SkillRow({ skill, student, onAdd }: { readonly skill: Skill } & Omit<PaletteProps, "combos">) {
  const sides = sidesOf(skill);
  const coded = sides.map((side) => ({
    side,
    coded: { status: student?.statusOf(skill.id, side) ?? ("ready" as const), tenths: 5, isStuck: false },
  }));
  return (
    <li className={classes.bead}>
      {student !== undefined && <Bead state={codedBead(coded)} family={familyOf(skill.id)} size={26} />}
      <span className={classes.beadName} style={{ borderLeftColor: `var(--family-${familyOf(skill.id)})` }}>
        {capital(skill.name)}
        <code>{partOfSkill(catalogue(), skill.id, sides.at(-1) ?? "whole")?.score}</code>
      </span>
      {sides.map((side) => {
        const part = partOfSkill(catalogue(), skill.id, side);
        const status = student?.statusOf(skill.id, side);
        const told = status === undefined ? "" : `, ${STATUS_NAMES[status]}`;
        return (
          part !== null && (
            <Button
              key={side}
              size="xs"
              variant={status === undefined || isMet(status) ? "default" : "subtle"}
              aria-label={`Add ${skill.name}${side === "whole" ? "" : `, ${side} side`}${told}`}
              onClick={() => onAdd(part)}
            >
              {LETTERS[side]}
            </Button>
          )
        );
      })}
    </li>
  );
}

/** Every skill that can be chained, by any of its names; a student's cleared ones first. */
export function Palette({ student, combos, onAdd }: PaletteProps) {
  const [words, setWords] = useState("");
  const [shown, setShown] = useState<"cleared" | "all">("cleared");
  const search = useRef<HTMLInputElement>(null);
  useSearchKey(search);
  const isKnown = (skill: Skill) =>
    student === undefined ||
    sidesOf(skill).some((side) => {
      const status = student.statusOf(skill.id, side);
      return status !== undefined && isMet(status);
    });
  const isFiltered = student !== undefined && shown === "cleared" && words.trim() === "";
  const skills = searchSkills(words).filter(
    (skill) => skill.score !== null && (!isFiltered || isKnown(skill)),
  );
  const matching = combos.filter(({ name }) => name.toLowerCase().includes(words.trim().toLowerCase()));
  return (
    <aside className={classes.palette} aria-label="Skills to add">
      <TextInput
        ref={search}
        aria-label="Find a skill or combo to add"
        placeholder="Find a skill to add  ( / )"
        leftSection={<IconSearch size={18} aria-hidden />}
        value={words}
        onChange={(event) => setWords(event.currentTarget.value)}
        onKeyDown={(event) => {
          const [first] = skills;
          const side = first === undefined ? undefined : sidesOf(first).at(-1);
          const part =
            first === undefined || side === undefined ? null : partOfSkill(catalogue(), first.id, side);
          if (event.key === "Enter" && words.trim() !== "" && part !== null) {
            onAdd(part);
            setWords("");
          }
        }}
      />
      {student !== undefined && (
        <SegmentedControl
          aria-label="Which skills"
          fullWidth
          value={shown}
          onChange={(value) => setShown(value === "all" ? "all" : "cleared")}
          data={[
            { value: "cleared", label: "cleared" },
            { value: "all", label: "all" },
          ]}
        />
      )}
      {skills.length === 0 && isFiltered && (
        <p>{student.name} has cleared nothing that can be chained yet. Choose “all” for every skill.</p>
      )}
      {skills.length + matching.length === 0 && !isFiltered && (
        <p>Nothing is called “{words}”. Try another of its names.</p>
      )}
      <ul className={classes.beads}>
        {skills.map((skill) => (
          <SkillRow key={skill.id} skill={skill} student={student} onAdd={onAdd} />
        ))}
        {matching.map((combo) => (
          <li key={combo.id} className={classes.bead}>
            <span className={classes.beadName}>
              {combo.name}
              <code>a saved combo</code>
            </span>
            <Button
              size="xs"
              variant="default"
              aria-label={`Add the combo ${combo.name}`}
              onClick={() => onAdd(comboPart(combo))}
            >
              Add
            </Button>
          </li>
        ))}
      </ul>
    </aside>
  );
}
