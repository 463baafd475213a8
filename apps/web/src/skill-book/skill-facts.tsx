import { CATALOGUE, CAUTIONS, DRILL_FOCUSES, DRILLS, FAULTS, SCHOOLS } from "@mirrup/catalogue";
import {
  DRILL_PASSES,
  gateOf,
  ladderOf,
  SCHOOL_IDS,
  type LadderDrill,
  type Need,
  type NeedTerm,
  type SideName,
  type Skill,
} from "@mirrup/core";
import { Accordion, Table } from "@mantine/core";
import { IconAlertTriangle } from "@tabler/icons-react";
import { Link } from "react-router";
import { usePaths } from "../app/paths.js";
import { capital, gateWords, SCHOOL_NAMES, skillName } from "../app/words.js";
import classes from "./skill-facts.module.css";

function SkillLink({ id }: { readonly id: string }) {
  const paths = usePaths();
  return (
    <Link to={paths.skill(id)} className={classes.link}>
      {skillName(id)}
    </Link>
  );
}

function termWords({ sides, atLeast }: NeedTerm): string {
  const side = sides === "both" ? " on both sides" : sides === "other" ? " on the other side" : "";
  return side + (atLeast === null ? "" : `, ${atLeast} in a row`);
}

function NeedLine({ need }: { readonly need: Need }) {
  return (
    <li>
      {need.anyOf.map((term, index) => (
        <span key={term.skill}>
          {index > 0 && " or "}
          <SkillLink id={term.skill} />
          {termWords(term)}
        </span>
      ))}
    </li>
  );
}

/** What the skill needs and what needs it: press to walk the graph. */
export function Kin({ skill }: { readonly skill: Skill }) {
  const opens = CATALOGUE.neededBy.get(skill.id) ?? [];
  return (
    <div className={classes.kin}>
      <section>
        <h3>Needs</h3>
        {skill.needs.length === 0 && <p>Nothing. It can be begun at once.</p>}
        <ul>
          {skill.needs.map((need) => (
            <NeedLine key={need.anyOf.map((term) => term.skill).join()} need={need} />
          ))}
        </ul>
        {skill.helps.length > 0 && (
          <p className={classes.quiet}>
            It helps to know{" "}
            {skill.helps.map((id, index) => (
              <span key={id}>
                {index > 0 && ", "}
                <SkillLink id={id} />
              </span>
            ))}
            .
          </p>
        )}
      </section>
      <section>
        <h3>Opens</h3>
        {opens.length === 0 && <p>Nothing further yet.</p>}
        <ul className={classes.opens}>
          {opens.map((id) => (
            <li key={id}>
              <SkillLink id={id} />
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

function doseWords({ kind, dose, spacing }: LadderDrill): string {
  if (dose === "gate") return "to the gate";
  const pass = DRILL_PASSES[kind];
  const asked =
    pass === null
      ? kind === "rounds"
        ? `${dose} rounds`
        : kind === "climb"
          ? `to rung ${dose}`
          : String(dose)
      : `${pass.clean} of ${pass.of}`;
  return spacing === undefined ? asked : `${asked}, spacing ${spacing}`;
}

/** The ladder of drills of one side, from the gentlest to the hardest. */
export function LadderTable({ skill, side }: { readonly skill: Skill; readonly side: SideName }) {
  return (
    <section>
      <h3>Ladder of drills{side === "whole" ? "" : `, ${side} side`}</h3>
      <div className={classes.scroll} tabIndex={0} role="region" aria-label="Ladder of drills">
        <Table withRowBorders>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Drill</Table.Th>
              <Table.Th>Score</Table.Th>
              <Table.Th>Passes at</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {ladderOf(CATALOGUE, skill.id, side).map((drill, index) => (
              <Table.Tr key={index}>
                <Table.Td title={DRILLS[drill.kind].manner}>
                  {capital(DRILLS[drill.kind].name)}
                  {drill.focus !== undefined && (
                    <span className={classes.quiet}>: {DRILL_FOCUSES[drill.focus]}</span>
                  )}
                </Table.Td>
                <Table.Td>
                  {drill.score === null ? (
                    <span className={classes.quiet}>no rope</span>
                  ) : (
                    <code>{drill.score}</code>
                  )}
                </Table.Td>
                <Table.Td>{doseWords(drill)}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </div>
    </section>
  );
}

/** The gate under each school. */
export function Gates({ skill }: { readonly skill: Skill }) {
  return (
    <section>
      <h3>Gate{skill.twoSided ? ", each side" : ""}</h3>
      <dl className={classes.gates}>
        {SCHOOL_IDS.map((id) => (
          <div key={id}>
            <dt>{SCHOOL_NAMES[id]}</dt>
            <dd>{gateWords(gateOf(SCHOOLS[id], skill))}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** What to say, what to look at, and what to take care of. */
export function Teaching({ skill }: { readonly skill: Skill }) {
  return (
    <>
      {skill.cautions.length > 0 && (
        <section className={classes.cautions} aria-label="Cautions">
          <IconAlertTriangle size={22} aria-hidden />
          <ul>
            {skill.cautions.map((code) => (
              <li key={code}>{CAUTIONS[code]}</li>
            ))}
          </ul>
        </section>
      )}
      <section>
        <h3>Say</h3>
        <ul>
          {skill.cues.map((cue) => (
            <li key={cue}>{cue}</li>
          ))}
        </ul>
      </section>
      <section>
        <h3>Look at</h3>
        <p>{skill.look}</p>
      </section>
    </>
  );
}

/** The faults it is prone to, the usual ones first, each with its cause and its fix. */
export function Faults({ skill }: { readonly skill: Skill }) {
  return (
    <section>
      <h3>When it misses</h3>
      <Accordion multiple variant="contained">
        {skill.faults.map((code) => {
          const { sign, cause, cue, drill } = FAULTS[code];
          return (
            <Accordion.Item key={code} value={code}>
              <Accordion.Control>{sign}</Accordion.Control>
              <Accordion.Panel>
                <p className={classes.fix}>
                  <strong>Why:</strong> {cause}
                </p>
                <p className={classes.fix}>
                  <strong>Say:</strong> {cue}
                  {drill !== null && ` Drill: ${DRILLS[drill].name}.`}
                </p>
              </Accordion.Panel>
            </Accordion.Item>
          );
        })}
      </Accordion>
    </section>
  );
}
