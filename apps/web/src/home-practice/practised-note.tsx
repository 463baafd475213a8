import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { counted } from "../app/plural.js";
import { usePaths } from "../app/paths.js";
import { practisedAtHomeQuery } from "./queries.js";
import classes from "./home-practice.module.css";

/** Who has practised at home and waits for an instructor to look at it; nothing where nobody has. */
export function PractisedAtHomeNote() {
  const paths = usePaths();
  const { data: practised = [] } = useQuery(practisedAtHomeQuery);
  if (practised.length === 0) return null;
  return (
    <section className={classes.note} aria-label="Practised at home">
      <strong>Practised at home</strong>
      <ul>
        {practised.map(({ studentId, name, sets }) => (
          <li key={studentId}>
            <Link to={paths.studentPage(studentId, "home")}>
              {name}: {counted(sets, "set")}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
