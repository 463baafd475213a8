import { programmeItems, type OwnProgramme } from "@mirrup/core";
import { Button, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { Link } from "react-router";
import { useMayTeach } from "../account/index.js";
import { programmes } from "../app/catalogue.js";
import { familyOf } from "../app/family.js";
import { usePaths } from "../app/paths.js";
import { Bead } from "../beads/index.js";
import { SkillsInOut } from "../own-skill/index.js";
import classes from "./programmes.module.css";
import { programmeWords } from "./words.js";

const FULL = { kind: "whole", whole: { status: "cleared", progress: 1 } } as const;

function Cards({ all }: { readonly all: readonly (readonly [string, OwnProgramme])[] }) {
  const paths = usePaths();
  return (
    <ul className={classes.cards}>
      {all.map(([key, programme]) => (
        <li key={key} className={classes.card}>
          <h3>
            <Link to={paths.programme(key)}>{programme.name}</Link>
          </h3>
          <Text className={classes.quiet}>{programmeWords(programme)}.</Text>
          <div className={classes.beads} aria-hidden>
            {programmeItems(programme).map(({ skill, side }) => (
              <Bead key={`${skill} ${side}`} state={FULL} family={familyOf(skill)} size={18} />
            ))}
          </div>
        </li>
      ))}
    </ul>
  );
}

/** The studio's programmes: named lists of skills that a class works through. */
export function ProgrammesPage() {
  const paths = usePaths();
  const mayTeach = useMayTeach();
  useDocumentTitle("Programmes · Mirrup");
  const all = [...programmes()];
  const going = all.filter(([, { isEnded }]) => isEnded !== true);
  const ended = all.filter(([, { isEnded }]) => isEnded === true);
  return (
    <div className={classes.page}>
      <header className={classes.header}>
        <div>
          <Link to={paths.skills}>Skill book</Link>
          <Title order={1}>Programmes</Title>
          <Text className={classes.quiet} maw={640}>
            A list of skills with what counts of each: a badge, a season, a level. Make a sheet of it for a
            class, see who has done what, and let a student work toward it.
          </Text>
        </div>
        {mayTeach && (
          <Button component={Link} to={paths.newProgramme} size="md">
            New programme
          </Button>
        )}
      </header>
      {all.length === 0 && (
        <Text>
          {mayTeach
            ? "There is none yet. Begin with the one that your first group is on."
            : "There is none yet."}
        </Text>
      )}
      {going.length > 0 && <Cards all={going} />}
      {ended.length > 0 && (
        <section>
          <Title order={2}>Ended</Title>
          <Cards all={ended} />
        </section>
      )}
      <section>
        <Title order={2}>As a file</Title>
        <Text className={classes.quiet} mb="sm">
          Your programmes with your own skills and names, for another studio; or theirs for you.
        </Text>
        <SkillsInOut />
      </section>
    </div>
  );
}
