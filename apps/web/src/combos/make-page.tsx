import { sideKey, SideSet, sidesOf } from "@mirrup/core";
import { COMBO_COUNTS, DIFFICULTIES, MAKING_LIMITS } from "@mirrup/core/combos";
import {
  Alert,
  Button,
  Checkbox,
  Group,
  MultiSelect,
  NativeSelect,
  Progress,
  Select,
  Slider,
  Text,
  Title,
} from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import { NumberField } from "../app/number-field.js";
import { ofCatalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { sidesOfGoal } from "../app/goal-sides.js";
import { currentParams } from "../app/current-params.js";
import { useKeptParams } from "../app/use-kept-params.js";
import { capital, keyName } from "../app/words.js";
import { gridQuery, groupsQuery, studentsQuery } from "../students/index.js";
import { comboPart } from "./combo-part.js";
import {
  addressOfMaking,
  everything,
  makeAskedFrom,
  openSides,
  poolOf,
  questionOf,
  together,
  type MakeAsked,
  type Makers,
} from "./make-asked.js";
import classes from "./make.module.css";
import { combosQuery, comboStandingsQuery, namesOf } from "./queries.js";
import { useComboStudents, useFor } from "./use-for.js";
import { useMaker } from "./use-maker.js";
import { Found } from "./found.js";
import { useTempoAsked } from "./use-tempo-asked.js";
import { combosFaultWords, DIFFICULTY_NAMES } from "./words.js";

const skillsOf = ofCatalogue(({ skills }) => [...skills.values()].filter((skill) => skill.score !== null));
const sideOptions = ofCatalogue(() =>
  skillsOf().flatMap((skill) => [
    { value: skill.id, label: capital(skill.name) },
    ...(skill.twoSided
      ? sidesOf(skill).map((side) => ({
          value: sideKey(skill.id, side),
          label: `${capital(skill.name)}, ${side} side`,
        }))
      : []),
  ]),
);
const skillOptions = ofCatalogue(() =>
  skillsOf().map((skill) => ({ value: skill.id, label: capital(skill.name) })),
);
const ALL = "everything";

/** Combos made up for a student, a group, or of any skills. */
export function MakePage() {
  const [params, setParams] = useSearchParams();
  // Changes can come faster than addresses settle; the newest of them are here.
  const [asked, setAsked] = useState<MakeAsked>(() => makeAskedFrom(params));
  const { id: studentId, isReading } = useFor();
  const groupId = params.get("group");
  const students = useComboStudents();
  const groups = useQuery(groupsQuery);
  const roster = useQuery(studentsQuery);
  const combos = useQuery(combosQuery);
  const own = useQuery({ ...comboStandingsQuery(studentId ?? ""), enabled: studentId !== null });
  const grid = useQuery(gridQuery(undefined));
  const { making, make, stop } = useMaker();
  // Of whose skills they are; whoever is chosen afterwards may not be able to do them.
  const [madeFor, setMadeFor] = useState({ name: "", studentId });
  const { tempo } = useTempoAsked();
  const names = useMemo(() => namesOf(combos.data), [combos.data]);
  const isReadingGroup = groupId !== null && groups.isPending;
  const makersNow = (studentNow: string | null, groupNow: string | null): Makers | null => {
    // Not everybody's skills while it is not known whose are asked for.
    if (students === undefined || isReading || isReadingGroup) return null;
    const student = students.find((one) => one.id === studentNow);
    if (student !== undefined) return together(student.name, [student]);
    const named = groups.data?.find((one) => one.id === groupNow);
    if (named === undefined) return everything();
    return together(
      `all of ${named.name}`,
      students.filter((one) => named.members.includes(one.id)),
    );
  };
  const makers = makersNow(studentId, groupId);
  const ask = (changes: Partial<MakeAsked>) => setAsked((before) => ({ ...before, ...changes }));
  useKeptParams(asked, (now) => addressOfMaking(asked, now));
  const run = (changes: Partial<MakeAsked> = {}) => {
    // Whoever was chosen a moment ago may not be drawn yet: the address knows them.
    const address = currentParams();
    const studentNow = students?.find(({ id }) => id === address.get("for"))?.id ?? null;
    const makersAsked = makersNow(studentNow, address.get("group"));
    if (makersAsked === null) return;
    const now = { ...asked, ...changes };
    const goals = roster.data?.find((student) => student.id === studentNow)?.goals ?? [];
    const wanted = new SideSet(goals.flatMap(sidesOfGoal));
    const cleared = (studentNow === studentId ? (own.data ?? []) : []).flatMap(
      ({ comboId, side, status }) => {
        const combo = combos.data?.find((one) => one.id === comboId);
        const part = combo === undefined ? null : comboPart(combo);
        return part === null || side === "left" ? [] : [{ part, status }];
      },
    );
    setMadeFor({ name: makersAsked.name, studentId: studentNow });
    void make(poolOf(makersAsked, now, cleared, wanted), questionOf(now, makersAsked));
  };
  const group = groups.data?.find((one) => one.id === groupId);
  const who = studentId ?? (group === undefined ? ALL : `group ${group.id}`);
  const choose = (value: string | null) =>
    setParams(
      () => {
        const after = currentParams();
        after.delete("for");
        after.delete("group");
        if (value?.startsWith("group ") === true) after.set("group", value.slice(6));
        else if (value !== null && value !== ALL) after.set("for", value);
        return after;
      },
      { replace: true },
    );
  const found =
    making.kind === "making"
      ? making.found
      : making.kind === "made" && making.made.ok
        ? making.made.combos
        : [];
  const isOfOthers = madeFor.studentId !== studentId || madeFor.name !== makers?.name;
  const failure = failureOf(grid);
  if (failure !== null) {
    return (
      <Fault title="What the students can do could not be read" onRetry={() => void grid.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  return (
    <div className={classes.page}>
      <form
        className={classes.asked}
        onSubmit={(event) => {
          event.preventDefault();
          run();
        }}
      >
        <Select
          label="Of the skills of"
          searchable
          allowDeselect={false}
          data={[
            {
              group: "Students",
              items: (students ?? []).map(({ id, name }) => ({ value: id, label: name })),
            },
            {
              group: "Groups",
              items: (groups.data ?? []).map(({ id, name }) => ({
                value: `group ${id}`,
                label: `All of ${name}`,
              })),
            },
            { group: "Any", items: [{ value: ALL, label: "Every skill of the catalogue" }] },
          ]}
          value={who}
          onChange={choose}
        />
        <Group grow align="end">
          <NativeSelect
            label="Counts"
            value={String(asked.counts)}
            data={[...new Set([...COMBO_COUNTS, asked.counts])].map(String)}
            onChange={(event) => ask({ counts: Number(event.currentTarget.value) })}
          />
          <NumberField
            label="How many"
            min={1}
            max={MAKING_LIMITS.howMany}
            value={asked.howMany}
            onSay={(value) => ask({ howMany: value })}
          />
          <NativeSelect
            label="Difficulty"
            value={asked.difficulty}
            data={DIFFICULTIES.map((value) => ({ value, label: DIFFICULTY_NAMES[value] }))}
            onChange={(event) =>
              ask({ difficulty: DIFFICULTIES.find((one) => one === event.currentTarget.value) ?? "any" })
            }
          />
        </Group>
        <MultiSelect
          label="Must be in it"
          searchable
          clearable
          maxValues={MAKING_LIMITS.include}
          data={sideOptions()}
          value={[...asked.include]}
          onChange={(include) => ask({ include })}
        />
        <MultiSelect
          label="Must not be in it"
          searchable
          clearable
          maxValues={MAKING_LIMITS.include}
          data={sideOptions()}
          value={[...asked.exclude]}
          onChange={(exclude) => ask({ exclude })}
        />
        <Select
          label="One new skill in it"
          description="Everything else is cleared."
          placeholder="none"
          searchable
          clearable
          data={(makers === null ? [] : openSides(makers)).map((key) => ({
            value: key,
            label: capital(keyName(key)),
          }))}
          value={asked.newSide}
          onChange={(newSide) => ask({ newSide })}
        />
        <MultiSelect
          label="Only of these skills"
          placeholder={asked.among.length === 0 ? "all that are cleared" : ""}
          searchable
          clearable
          data={skillOptions()}
          value={[...asked.among]}
          onChange={(among) => ask({ among })}
        />
        <NativeSelect
          label="Bounces between two hard moves, at least"
          value={String(asked.spacing)}
          data={Array.from({ length: MAKING_LIMITS.spacing + 1 }, (_, count) => String(count))}
          onChange={(event) => ask({ spacing: Number(event.currentTarget.value) })}
        />
        <div>
          <Text size="sm" fw={500} id="difference">
            How different from one another
          </Text>
          <Slider
            thumbLabel="How different from one another, in tenths of the counts"
            min={0}
            max={10}
            step={1}
            value={asked.difference}
            label={(value) => `${value * 10} % of the counts`}
            onChange={(difference) => ask({ difference })}
          />
        </div>
        <Checkbox
          label="Starts and ends in a bounce"
          checked={asked.bounceEnds}
          onChange={(event) => ask({ bounceEnds: event.currentTarget.checked })}
        />
        <Checkbox
          label="Uses both sides"
          checked={asked.bothSides}
          onChange={(event) => ask({ bothSides: event.currentTarget.checked })}
        />
        <Group>
          <Button type="submit" disabled={makers === null || making.kind === "making"}>
            Suggest {asked.howMany}
          </Button>
          <Button
            variant="default"
            disabled={makers === null || making.kind === "making"}
            onClick={() => {
              ask({ seed: asked.seed + 1 });
              run({ seed: asked.seed + 1 });
            }}
          >
            Suggest others
          </Button>
        </Group>
      </form>
      <section className={classes.found} aria-label="What was made">
        <div role="status">
          {making.kind === "none" && (
            <Text>
              Combos are drawn from all that the rope model allows with these skills: every join is legal,
              nothing in them is locked.
            </Text>
          )}
          {making.kind === "making" && (
            <Group>
              <Progress value={making.share * 100} aria-label="How many were found" w={260} />
              <Text>{making.found.length} found …</Text>
              <Button variant="default" onClick={stop}>
                Stop
              </Button>
            </Group>
          )}
          {making.kind === "failed" && <Alert color="red">{making.message}</Alert>}
          {making.kind === "made" && making.made.ok && (
            <Title order={2}>
              {counted(found.length, "combo")} for {madeFor.name}
            </Title>
          )}
          {making.kind === "made" && making.made.ok && making.made.isShort && (
            <Text>
              {found.length === 0
                ? "None was found before the search was stopped."
                : "No more of them are so different from one another, or the search was stopped. Ask for less difference to get more."}
            </Text>
          )}
          {making.kind === "made" && !making.made.ok && (
            <Alert color="yellow" title="No such combo">
              {combosFaultWords(making.made.fault)}
            </Alert>
          )}
        </div>
        {found.length > 0 && makers !== null && isOfOthers && (
          <Text>
            These are for {madeFor.name}. “Suggest {asked.howMany}” makes some for {makers.name}.
          </Text>
        )}
        <Found combos={found} names={names} tempo={tempo} student={madeFor.studentId} />
      </section>
    </div>
  );
}
