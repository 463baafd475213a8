import { SCHOOLS } from "@mirrup/catalogue";
import type { StudioView } from "@mirrup/contract";
import { gateOf, SCHOOL_IDS, skillOf, type School } from "@mirrup/core";
import { Button, Text } from "@mantine/core";
import { Link } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { capital, gateWords } from "../app/words.js";
import classes from "./start-page.module.css";

/** The tricks by which the schools are told apart: everybody has taught them. */
const KNOWN = ["cross", "double-under"];

function Explained({ school }: { readonly school: School }) {
  return (
    <ul>
      {KNOWN.map((id) => {
        const skill = skillOf(catalogue(), id);
        return (
          <li key={id}>
            A {skill.name} is cleared at <strong>{gateWords(gateOf(school, skill))}</strong>.
          </li>
        );
      })}
      <li>
        {school.asksBaseTest
          ? "Before any double, the base test: five parts of plain jumping."
          : "No base test."}
      </li>
    </ul>
  );
}

interface SchoolChoiceProps {
  readonly studio: StudioView;
  readonly mayChoose: boolean;
}

/** The three ways to teach side by side, each with what it means for tricks that everybody knows. */
export function SchoolChoice({ studio, mayChoose }: SchoolChoiceProps) {
  const paths = usePaths();
  return (
    <>
      <Text>Instructors differ in how much they ask before the next trick. Each way has its own gates:</Text>
      <div className={classes.schools}>
        {SCHOOL_IDS.map((id) => (
          <article key={id} data-chosen={id === studio.school || undefined} aria-label={SCHOOLS[id].name}>
            <h3>
              {capital(SCHOOLS[id].name)}
              {id === studio.school && <span className={classes.state}>yours</span>}
            </h3>
            <p>{SCHOOLS[id].reason}</p>
            <Explained school={SCHOOLS[id]} />
          </article>
        ))}
      </div>
      {mayChoose && (
        <Button component={Link} to={paths.studio} variant="default" size="md">
          Teach another way
        </Button>
      )}
    </>
  );
}
