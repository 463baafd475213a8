import { CAUTIONS, coachingOf, DRILLS, FAULTS, SCHOOLS } from "@mirrup/catalogue";
import {
  GATE_RUNG,
  DRILL_ROWS,
  gateOf,
  overlayGates,
  passOf,
  SCHOOL_IDS,
  type Drill,
  type Need,
  type NeedTerm,
  type SideName,
  type Skill,
} from "@mirrup/core";
import { Accordion, Table } from "@mantine/core";
import { IconAlertTriangle } from "@tabler/icons-react";
import { Link } from "react-router";
import { catalogue, ownCatalogue, ownWayOf } from "../app/catalogue.js";
import { drillOfWords, drillWords } from "../app/drill-words.js";
import { usePaths } from "../app/paths.js";
import { syllabus } from "../app/syllabus.js";
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
  const opens = catalogue().neededBy.get(skill.id) ?? [];
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

/** What passes a drill. */
function passWords(drill: Drill): string {
  const pass = passOf(drill);
  return pass === null ? drillWords(drill) : `${pass.clean} of ${pass.of}`;
}

/** The ladder of drills of one side, from the gentlest to the gate and what follows it. */
export function LadderTable({ skill, side }: { readonly skill: Skill; readonly side: SideName }) {
  const ladder = syllabus().find(skill.id, side)?.ladder ?? [];
  return (
    <section>
      <h3>Ladder of drills{side === "whole" ? "" : `, ${side} side`}</h3>
      <div className={classes.scroll} tabIndex={0} role="region" aria-label="Ladder of drills">
        <Table withRowBorders>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Drill</Table.Th>
              <Table.Th>Say, and look at</Table.Th>
              <Table.Th>Score</Table.Th>
              <Table.Th>Passed by</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {ladder.map(({ id, drill }) => {
              const { say, look } = coachingOf(skill, drill);
              return (
                <Table.Tr key={id}>
                  <Table.Td title={DRILLS[drill.kind].manner}>
                    {id === GATE_RUNG ? "The gate" : capital(drillOfWords(skill.id, side, drill))}
                  </Table.Td>
                  <Table.Td>
                    {say} <span className={classes.quiet}>{look}</span>
                  </Table.Td>
                  <Table.Td>
                    {drill.score !== undefined && <code>{drill.score}</code>}
                    {drill.score === undefined && !DRILL_ROWS[drill.kind].hasRope && (
                      <span className={classes.quiet}>no rope</span>
                    )}
                  </Table.Td>
                  <Table.Td>{id === GATE_RUNG ? "its school’s" : passWords(drill)}</Table.Td>
                </Table.Tr>
              );
            })}
          </Table.Tbody>
        </Table>
      </div>
    </section>
  );
}

/** The gate under each school. */
export function Gates({ skill }: { readonly skill: Skill }) {
  const own = ownCatalogue();
  const gates = SCHOOL_IDS.map((id) => {
    const ours = own === null ? [] : [overlayGates(own, id)];
    const gate = gateOf(SCHOOLS[id], skill, ours);
    return { id, gate, isOurs: gate !== gateOf(SCHOOLS[id], skill) };
  });
  return (
    <section>
      <h3>Gate{skill.twoSided ? ", each side" : ""}</h3>
      <dl className={classes.gates}>
        {gates.map(({ id, gate, isOurs }) => (
          <div key={id}>
            <dt>{SCHOOL_NAMES[id]}</dt>
            <dd>
              {gateWords(gate)}
              {isOurs && ", your studio’s own"}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** What to say, what to look at, and what to take care of. */
export function Teaching({ skill }: { readonly skill: Skill }) {
  const note = ownWayOf(skill.id)?.note;
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
      {note !== undefined && (
        <section>
          <h3>Our note</h3>
          <p>{note}</p>
        </section>
      )}
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
          const { sign, cause, cue, drills } = FAULTS[code];
          return (
            <Accordion.Item key={code} value={code}>
              <Accordion.Control>{sign}</Accordion.Control>
              <Accordion.Panel>
                <p className={classes.fix}>
                  <strong>Why:</strong> {cause}
                </p>
                <p className={classes.fix}>
                  <strong>Say:</strong> {cue}
                  {drills.length > 0 && ` Drills: ${drills.map((kind) => DRILLS[kind].name).join(", ")}.`}
                </p>
              </Accordion.Panel>
            </Accordion.Item>
          );
        })}
      </Accordion>
    </section>
  );
}
