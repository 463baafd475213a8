import { CATALOGUE } from "@mirrup/catalogue";
import { FREESTYLE_LIMITS, planFreestyle, type Freestyle } from "@mirrup/core/combos";
import { goalSides } from "@mirrup/core/teaching";
import { Checkbox, Group, MultiSelect, NumberInput, Skeleton, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import { SYLLABUS } from "../app/syllabus.js";
import { currentParams } from "../app/current-params.js";
import { usePaths } from "../app/paths.js";
import { capital, listWords, skillName } from "../app/words.js";
import classes from "./freestyle.module.css";
import { combosQuery } from "./queries.js";
import { useFor } from "./use-for.js";
import { useTempoAsked } from "./use-tempo-asked.js";
import { secondsWords } from "./words.js";

const SKILL_OPTIONS = [...CATALOGUE.skills.values()]
  .filter((skill) => skill.score !== null)
  .map((skill) => ({ value: skill.id, label: capital(skill.name) }));

function clock(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** Several combos in a round of up to three minutes, with rests between. */
export function FreestylePage() {
  const [params, setParams] = useSearchParams();
  const combos = useQuery(combosQuery);
  const { id: studentId, students, dominant } = useFor();
  const { tempo } = useTempoAsked();
  const student = students.find((one) => one.id === studentId);
  const number = (key: string, usual: number, least: number, most: number) => {
    const value = Number(params.get(key) ?? usual);
    return Number.isFinite(value) ? Math.min(most, Math.max(least, Math.round(value))) : usual;
  };
  const seconds = number("seconds", 60, 10, FREESTYLE_LIMITS.seconds);
  const rest = number("rest", 6, 0, FREESTYLE_LIMITS.rest);
  const out = params.getAll("out");
  const own = student?.goals.flatMap((goal) => goalSides(SYLLABUS, goal).map((one) => one.subject)) ?? [];
  const goals = params.has("goal")
    ? params.getAll("goal").filter((id) => CATALOGUE.skills.has(id))
    : [...new Set(own)];
  const set = (key: string, values: readonly string[]) =>
    setParams(
      () => {
        const after = currentParams();
        after.delete(key);
        values.forEach((value) => after.append(key, value));
        return after;
      },
      { replace: true },
    );
  const shelf = (combos.data ?? []).filter((combo) => !combo.isRemoved);
  const taken = shelf.filter(({ id }) => !out.includes(id));
  const plan = planFreestyle(taken, { seconds, rest, tempo, dominant, goals, roles: CATALOGUE.roles });
  if (combos.isPending) return <Skeleton height={320} mt="md" />;
  return (
    <div className={classes.page}>
      <div className={classes.asked}>
        <Group align="end">
          <NumberInput
            label="Length, seconds"
            w={160}
            min={10}
            max={FREESTYLE_LIMITS.seconds}
            value={seconds}
            onChange={(value) => typeof value === "number" && set("seconds", [String(value)])}
          />
          <NumberInput
            label="Rest between, seconds"
            w={180}
            min={0}
            max={FREESTYLE_LIMITS.rest}
            value={rest}
            onChange={(value) => typeof value === "number" && set("rest", [String(value)])}
          />
        </Group>
        <MultiSelect
          label="Skills that have to come"
          description={student === undefined ? undefined : `At first the goals of ${student.name}.`}
          searchable
          clearable
          data={SKILL_OPTIONS}
          value={goals}
          onChange={(value) => set("goal", value.length === 0 ? [""] : value)}
        />
        <fieldset className={classes.combos}>
          <legend>Of these combos</legend>
          {shelf.length === 0 && (
            <Text>No combo is kept yet. Keep some from the bench, or have some made up.</Text>
          )}
          {shelf.map((combo) => (
            <Checkbox
              key={combo.id}
              label={combo.name}
              checked={!out.includes(combo.id)}
              onChange={(event) =>
                set(
                  "out",
                  event.currentTarget.checked ? out.filter((id) => id !== combo.id) : [...out, combo.id],
                )
              }
            />
          ))}
        </fieldset>
      </div>
      <Round
        plan={plan}
        seconds={seconds}
        nameOf={(id) => shelf.find((combo) => combo.id === id)?.name ?? ""}
      />
    </div>
  );
}

interface RoundProps {
  readonly plan: Freestyle;
  readonly seconds: number;
  readonly nameOf: (id: string) => string;
}

function Round({ plan, seconds, nameOf }: RoundProps) {
  const paths = usePaths();
  const { pieces, untouched, leftOut } = plan;
  return (
    <section aria-label="The round">
      <Title order={2}>
        {pieces.length} {pieces.length === 1 ? "combo" : "combos"} in {secondsWords(plan.seconds)} of{" "}
        {secondsWords(seconds)}
      </Title>
      {untouched.length > 0 && (
        <p className={classes.untouched}>
          Not touched: {listWords(untouched.map(skillName))}. No chosen combo that fits has them; make one up
          with them in it.
        </p>
      )}
      {pieces.length > 0 && (
        <div className={classes.bar} aria-hidden>
          {pieces.map((piece) => (
            <span key={piece.id} className={classes.slot} style={{ flexGrow: piece.seconds + piece.rest }}>
              <span className={classes.work} data-effort={piece.effort} style={{ flexGrow: piece.seconds }} />
              <span className={classes.rest} style={{ flexGrow: piece.rest }} />
            </span>
          ))}
          <span className={classes.free} style={{ flexGrow: Math.max(0, seconds - plan.seconds) }} />
        </div>
      )}
      <ol className={classes.pieces}>
        {pieces.map((piece) => (
          <li key={piece.id}>
            <strong className={classes.at}>{clock(piece.at)}</strong>
            <span>
              <Link to={paths.combo(piece.id)}>{nameOf(piece.id)}</Link>, {secondsWords(piece.seconds)},{" "}
              {piece.effort}
              {piece.activeRest !== null && (
                <>
                  . Then {piece.rest} s of {skillName(piece.activeRest)}
                </>
              )}
              .
            </span>
          </li>
        ))}
      </ol>
      {leftOut.length > 0 && (
        <p>
          Left out, since the time is used or they repeat what is there:{" "}
          {listWords(leftOut.slice(0, 12).map(nameOf))}
          {leftOut.length > 12 ? " and others" : ""}.
        </p>
      )}
      {pieces.length === 0 && <p>Nothing fits. Give it more seconds, or choose shorter combos.</p>}
      <p>After a miss, restart in side swings and go on with the next combo: the round does not wait.</p>
    </section>
  );
}
