import { frontierOf, type FrontierBead, type StatusOfSides } from "@mirrup/core/teaching";
import { Button, CloseButton, Group, Text, Title } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useCallback, useMemo } from "react";
import { Link } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { familyOf } from "../app/family.js";
import { usePaths } from "../app/paths.js";
import { counted } from "../app/plural.js";
import { syllabus } from "../app/syllabus.js";
import { capital, skillName } from "../app/words.js";
import { Bead, BeadKey, codedBead, type BeadState } from "../beads/index.js";
import { columnWords, FrontierFilters, FrontierMap, standWords, useAsked } from "../frontier/index.js";
import { usePicked } from "../strands/index.js";
import classes from "./class-frontier.module.css";
import type { GridStudent } from "./grid.js";
import { standsWith, STANDS } from "./stands.js";

const UNKNOWN = { status: "locked", isStuck: false } as const;
const headOf = (step: number) => columnWords(step, "most");

function statusesOf(student: GridStudent): StatusOfSides {
  return ({ subject, side }) =>
    student.bySkill.get(subject)?.find((one) => one.side === side)?.coded ?? UNKNOWN;
}

interface WhoProps {
  readonly students: readonly GridStudent[];
  readonly subject: string;
  readonly groupId: string | undefined;
  readonly onClose: () => void;
}

/** Who of the class stands where with the skill in hand. */
function Who({ students, subject, groupId, onClose }: WhoProps) {
  const paths = usePaths();
  const stands = standsWith(students, subject);
  const canStart = stands.open.length + stands.stuck.length > 0;
  return (
    <>
      <Group justify="space-between" wrap="nowrap" align="flex-start">
        <Title order={2}>
          <Link to={paths.skill(subject)} className={classes.book}>
            {capital(skillName(subject))}
          </Link>
        </Title>
        <CloseButton size="xl" aria-label="Let go of the bead" onClick={onClose} />
      </Group>
      {canStart && (
        <Button component={Link} to={paths.round(groupId, subject)}>
          Do a round
        </Button>
      )}
      {STANDS.map(({ id, name }) =>
        stands[id].length === 0 ? null : (
          <section key={id}>
            <h3 className={classes.stand}>
              {name}
              <span>{counted(stands[id].length, "student")}</span>
            </h3>
            <ul className={classes.who}>
              {stands[id].map((student) => (
                <li key={student.id}>
                  <Bead
                    state={codedBead(student.bySkill.get(subject) ?? [])}
                    family={familyOf(subject)}
                    size={22}
                  />
                  <Link to={paths.bead(student.id, subject)}>{student.name}</Link>
                </li>
              ))}
            </ul>
          </section>
        ),
      )}
    </>
  );
}

/** A bead as a class has it: cleared by most, open to so many of them, or locked. */
function stateOfClass(bead: FrontierBead | undefined, of: number): BeadState {
  const step = bead?.step ?? 0;
  if (step > 1) return { kind: "whole", whole: { status: "locked", progress: 0 } };
  const status = step === 0 ? "cleared" : "working";
  return { kind: "whole", whole: { status, progress: (bead?.cleared ?? 0) / of } };
}

interface ClassFrontierProps {
  readonly students: readonly GridStudent[];
  readonly groupId: string | undefined;
  readonly title: string;
}

/** Where a class stands: what most have cleared, what is open to most, and what that opens. */
export function ClassFrontier({ students, groupId, title }: ClassFrontierProps) {
  const { held, pick } = usePicked();
  const asked = useAsked();
  useHotkeys([["Escape", () => pick(null, null)]]);
  const frontier = useMemo(() => frontierOf(syllabus(), students.map(statusesOf), asked), [students, asked]);
  const beads = useMemo(() => new Map(frontier.beads.map((bead) => [bead.subject, bead])), [frontier]);
  const stateOf = useCallback(
    (subject: string) => stateOfClass(beads.get(subject), students.length),
    [beads, students.length],
  );
  const noteOf = useCallback((bead: FrontierBead) => standWords(bead, students.length), [students.length]);
  const isKnown = held !== null && catalogue().skills.has(held);
  return (
    <div className={classes.page}>
      <div className={classes.main}>
        <FrontierMap
          frontier={frontier}
          title={`${title}, frontier`}
          headOf={headOf}
          stateOf={stateOf}
          noteOf={noteOf}
          aloud={noteOf}
          held={held}
          next={null}
          onHold={(subject) => pick(subject, null)}
        >
          <FrontierFilters />
        </FrontierMap>
        <BeadKey />
      </div>
      <aside className={classes.panel} aria-label={isKnown ? "The bead in hand" : "Help"}>
        {isKnown ? (
          <Who students={students} subject={held} groupId={groupId} onClose={() => pick(null, null)} />
        ) : (
          <Text size="sm" className={classes.quiet}>
            A skill stands where most of the class have it; below its name stands for how many. Press a bead
            to see who: all that it needs and all that it leads to is lit.
          </Text>
        )}
      </aside>
    </div>
  );
}
