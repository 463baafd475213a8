import type { StandingItem } from "@mirrup/contract";
import { FAMILIES, skillOf } from "@mirrup/core";
import { Button, Skeleton, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link, useParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { capital, FAMILY_NAMES, gateWords, lockedWords, standingWords } from "../app/words.js";
import { Bead, beadState, bySkill } from "../beads/index.js";
import { nextQuery, standingsQuery } from "../students/index.js";
import { NextCard } from "./next-card.js";
import classes from "./outline-page.module.css";

function SideLine({ item }: { readonly item: StandingItem }) {
  const why = item.status === "locked" ? lockedWords(item.unmet).join(" ") : `Gate: ${gateWords(item.gate)}.`;
  return (
    <li>
      {capital(standingWords(item))}. <span className={classes.quiet}>{why}</span>
    </li>
  );
}

/** The strands as words, in the same order: to be read aloud, searched and printed. */
export function OutlinePage() {
  const { studentId = "" } = useParams();
  const paths = usePaths();
  const standings = useQuery(standingsQuery(studentId));
  const next = useQuery(nextQuery(studentId));
  const skills = useMemo(() => bySkill(standings.data ?? []), [standings.data]);
  const failure = failureOf(standings);
  if (failure !== null) {
    return (
      <Fault title="This student's strands could not be read" onRetry={() => void standings.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (standings.data === undefined) return <Skeleton height={500} m="lg" />;
  const [first] = next.data ?? [];
  return (
    <div className={classes.page}>
      <div className={classes.tools}>
        <Text className={classes.quiet}>The strands as an outline, to be read or printed.</Text>
        <Button variant="default" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      {first !== undefined && (
        <section>
          <Title order={2}>Next</Title>
          <NextCard studentId={studentId} next={first} named />
        </section>
      )}
      {FAMILIES.map((family) => (
        <section key={family} style={{ borderColor: `var(--family-${family})` }} className={classes.family}>
          <Title order={2}>{FAMILY_NAMES[family]}</Title>
          {catalogue()
            .strands.filter((strand) => strand.family === family)
            .map((strand) => (
              <section key={strand.id}>
                <Title order={3}>{capital(strand.name)}</Title>
                <ul className={classes.skills}>
                  {strand.skills.map((id) => (
                    <li key={id} className={classes.skill}>
                      <Bead state={beadState(skills.get(id))} family={family} size={26} />
                      <div>
                        <Link to={paths.bead(studentId, id)} className={classes.name}>
                          {capital(skillOf(catalogue(), id).name)}
                        </Link>
                        <ul className={classes.sides}>
                          {[...(skills.get(id)?.values() ?? [])].map((item) => (
                            <SideLine key={item.side} item={item} />
                          ))}
                        </ul>
                      </div>
                    </li>
                  ))}
                </ul>
              </section>
            ))}
        </section>
      ))}
    </div>
  );
}
