import { skillsByScore, openSides, type Score, type Skill } from "@mirrup/core";
import { hasSides, proposedNeeds, variantsOf, type Variant } from "@mirrup/core/combos";
import { isMet } from "@mirrup/core/teaching";
import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { useMayTeach } from "../account/index.js";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { usePaths } from "../app/paths.js";
import { syllabus } from "../app/syllabus.js";
import { listWords, skillName } from "../app/words.js";
import { gridOf, type GridStudent } from "../class/index.js";
import { gridQuery } from "../students/index.js";
import { needWords } from "./needs-field.js";
import classes from "./own-skill.module.css";
import { VARIANT_NAMES } from "./variant-words.js";

interface VariantsProps {
  readonly skill: Pick<Skill, "id">;
  /** On the side that is looked at. */
  readonly score: Score;
}

/** What can be made of a skill, worked out when it is asked for. */
export function Variants({ skill, score }: VariantsProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <section aria-label="Variants">
      <h3>Variants</h3>
      {isOpen ? (
        <List skill={skill} score={score} />
      ) : (
        <Button variant="default" onClick={() => setOpen(true)}>
          What can be made of it
        </Button>
      )}
    </section>
  );
}

function List({ skill, score }: VariantsProps) {
  const grid = useQuery(gridQuery(undefined));
  const students = useMemo(
    () => (grid.data === undefined ? null : gridOf(grid.data, catalogue(), "strand").students),
    [grid.data],
  );
  const variants = useMemo(() => variantsOf(score), [score]);
  // Its other side is the skill itself, where it has two.
  const others = variants.filter(
    (one) => !skillsByScore(catalogue(), one.score).some(({ id }) => id === skill.id),
  );
  return (
    <ul className={classes.variants}>
      {others.map((variant) => (
        <Line key={variant.kind} variant={variant} students={students} />
      ))}
      {others.length === 0 && <li>Nothing else is near.</li>}
    </ul>
  );
}

interface LineProps {
  readonly variant: Variant;
  /** Null until it is known where they stand. */
  readonly students: readonly GridStudent[] | null;
}

/** One variant: what it is already, or what it would need and who could begin it; or why it cannot be. */
function Line({ variant, students }: LineProps) {
  const { kind, text, faults } = variant;
  return (
    <li>
      <span className={classes.variantName}>{VARIANT_NAMES[kind]}</span>
      <code>{text}</code>
      <span>{faults.length > 0 ? faults[0] : <Legal variant={variant} students={students} />}</span>
    </li>
  );
}

function Legal({ variant: { text, score }, students }: LineProps) {
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const [known] = skillsByScore(catalogue(), score);
  const needs = useMemo(
    () =>
      known === undefined
        ? proposedNeeds(syllabus(), score).map(({ term }) => ({ anyOf: [term] }))
        : known.needs,
    [known, score],
  );
  const skill = { twoSided: known?.twoSided ?? hasSides(score), needs };
  const able =
    students?.filter(
      ({ bySkill }) =>
        openSides(catalogue(), skill, ({ subject, side }) =>
          (bySkill.get(subject) ?? []).some((one) => one.side === side && isMet(one.coded.status)),
        ).length > 0,
    ).length ?? null;
  return (
    <>
      {known !== undefined && (
        <>
          It is <Link to={paths.skill(known.id)}>{skillName(known.id)}</Link>.{" "}
        </>
      )}
      {known === undefined && needs.length > 0 && `It needs ${listWords(needs.map(needWords))}. `}
      {able !== null && (able === 0 ? "Open to nobody yet. " : `Open to ${counted(able, "student")} today. `)}
      {known === undefined && mayTeach && (
        <Link
          to={`${paths.skill("new")}?score=${encodeURIComponent(text)}`}
          aria-label={`Make a skill of ${text}`}
        >
          Make it a skill
        </Link>
      )}
    </>
  );
}
