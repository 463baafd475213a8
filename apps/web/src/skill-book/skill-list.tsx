import { grouped, type Skill } from "@mirrup/core";
import { SegmentedControl, Text, TextInput } from "@mantine/core";
import { IconSearch } from "@tabler/icons-react";
import { useRef } from "react";
import { Link } from "react-router";
import { ofCatalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { useSearchKey } from "../app/reach.js";
import { familyOf } from "../app/family.js";
import { capital, FAMILY_NAMES } from "../app/words.js";
import { searchSkills } from "./search.js";
import classes from "./skill-list.module.css";

export type Arrangement = "strand" | "level";

const strandOf = ofCatalogue(
  ({ strands }) =>
    new Map<string, string>(
      strands.flatMap((strand) =>
        strand.skills.map((id) => [id, `${FAMILY_NAMES[strand.family]}: ${strand.name}`] as const),
      ),
    ),
);

function groupName(skill: Skill, arrangement: Arrangement): string {
  return arrangement === "strand" ? (strandOf().get(skill.id) ?? "") : `Level ${skill.level}`;
}

function arranged(words: string, arrangement: Arrangement): ReadonlyMap<string, readonly Skill[]> {
  const skills = searchSkills(words);
  if (words.trim() !== "") return new Map([[counted(skills.length, "skill"), skills]]);
  const sorted = arrangement === "level" ? [...skills].sort((one, other) => one.level - other.level) : skills;
  return grouped(sorted, (skill) => groupName(skill, arrangement));
}

interface SkillListProps {
  readonly selected: string | null;
  readonly words: string;
  readonly arrangement: Arrangement;
  readonly onSearch: (words: string) => void;
  readonly onArrange: (arrangement: Arrangement) => void;
  /** The address of a skill's page, with the search kept. */
  readonly pathOf: (id: string) => string;
}

/** Every skill of the catalogue, by strand or level, or by any of its names. */
export function SkillList({ selected, words, arrangement, onSearch, onArrange, pathOf }: SkillListProps) {
  const search = useRef<HTMLInputElement>(null);
  useSearchKey(search);
  const groups = arranged(words, arrangement);
  const shown = [...groups.values()].some((skills) => skills.length > 0);
  return (
    <nav className={classes.list} aria-label="Skills" data-chosen={selected !== null && words === ""}>
      <TextInput
        ref={search}
        aria-label="Find a skill by any of its names"
        placeholder="Find a skill  ( / )"
        leftSection={<IconSearch size={18} aria-hidden />}
        size="md"
        value={words}
        onChange={(event) => onSearch(event.currentTarget.value)}
      />
      <SegmentedControl
        aria-label="Arrange by"
        fullWidth
        value={arrangement}
        data={[
          { value: "strand", label: "by strand" },
          { value: "level", label: "by level" },
        ]}
        onChange={(value) => onArrange(value === "level" ? "level" : "strand")}
      />
      {!shown && <Text>No skill is called “{words}”. Try another of its names, or fewer letters.</Text>}
      {[...groups].map(([name, skills]) => (
        <section key={name}>
          <h3 className={classes.group}>{name}</h3>
          <ul>
            {skills.map((skill) => (
              <li key={skill.id}>
                <Link
                  to={pathOf(skill.id)}
                  className={classes.skill}
                  aria-current={skill.id === selected ? "page" : undefined}
                  style={{ borderLeftColor: `var(--family-${familyOf(skill.id)})` }}
                >
                  {capital(skill.name)}
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </nav>
  );
}
