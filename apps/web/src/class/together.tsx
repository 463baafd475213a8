import { usefulTogether, type Together as Found } from "@mirrup/core/teaching";
import { Text, Title } from "@mantine/core";
import { useMemo } from "react";
import { Link } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { capital, listWords, skillName } from "../app/words.js";
import type { GridStudent } from "./grid.js";
import classes from "./class-page.module.css";

const SHOWN = 8;

interface TogetherProps {
  readonly students: readonly GridStudent[];
  readonly groupId: string | undefined;
}

/** What could these students do together? The skills that are open or due for most of them. */
export function Together({ students, groupId }: TogetherProps) {
  const paths = usePaths();
  const found = useMemo(
    () =>
      usefulTogether(
        catalogue(),
        students.map((student) =>
          student.sides.map(({ subject, side, coded }) => ({ subject, side, status: coded.status })),
        ),
      ),
    [students],
  );
  const others = (one: Found) =>
    students.filter((_, place) => !one.students.includes(place)).map((student) => student.name);
  return (
    <section>
      <Title order={2}>
        What could {students.length === 1 ? "this one" : `these ${students.length}`} do together?
      </Title>
      {found.length === 0 && <Text>Nothing is open for anybody here.</Text>}
      <ol className={classes.useful}>
        {found.slice(0, SHOWN).map((one) => {
          const left = others(one);
          return (
            <li key={one.subject}>
              <Link to={paths.skill(one.subject)}>{capital(skillName(one.subject))}</Link>
              <span>
                useful to {one.students.length} of {students.length}
                {one.reviews > 0 && `, a review for ${one.reviews}`}
                {left.length > 0 && left.length <= 3 && `; not for ${listWords(left)}`}
              </span>{" "}
              <Link to={paths.round(groupId, one.subject)} className={classes.now}>
                Do a round
              </Link>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
