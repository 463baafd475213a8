import type { StudentDetail, StudioView } from "@mirrup/contract";
import {
  PLACEMENT_ANSWERS,
  sideScore,
  skillOf,
  readScore,
  type PlacementAnswer,
  type SideName,
} from "@mirrup/core";
import { Button, Group, NumberInput, Skeleton, Text, Title } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { catalogue, ofCatalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { patch } from "../app/api.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { readAnew } from "../app/read-anew.js";
import { tellFault } from "../app/undo.js";
import { capital, percentWords, skillName } from "../app/words.js";
import { detailQuery, studioQuery } from "../students/index.js";
import { Conclusions } from "./conclusions.js";
import { usePlacement, type PlacementBackground } from "./use-placement.js";
import classes from "./placement-page.module.css";

const ANSWER_WORDS: Readonly<Record<PlacementAnswer, string>> = {
  clean: "Clean",
  nearly: "Nearly",
  no: "No",
};
const sidesInAll = ofCatalogue(({ skills }) =>
  [...skills.values()].reduce((sum, skill) => sum + (skill.twoSided ? 2 : 1), 0),
);

function backgroundOf(detail: StudentDetail, studio: StudioView): PlacementBackground {
  const year = new Date().getFullYear();
  return {
    school: detail.school ?? studio.school,
    leadingSide: detail.strongerSide ?? detail.dominantHand ?? "right",
    years: detail.yearsJumping,
    age: detail.birthYear === null ? null : year - detail.birthYear,
  };
}

/** Where does a new student start? A dozen tries place someone in ninety skills. */
export function PlacementPage() {
  const { studentId = "" } = useParams();
  const detail = useQuery(detailQuery(studentId));
  const studio = useQuery(studioQuery);
  const failed = [detail, studio].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    return (
      <Fault title="Placement could not begin" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  if (detail.data === undefined || studio.data === undefined) return <Skeleton height={400} m="lg" />;
  return <Asking detail={detail.data} background={backgroundOf(detail.data, studio.data)} />;
}

const MOST_YEARS = 80;

function Years({ detail }: { readonly detail: StudentDetail }) {
  const client = useQueryClient();
  const save = useMutation({
    mutationFn: (yearsJumping: number | null) =>
      patch<StudentDetail>(`/students/${detail.id}`, { version: detail.version, yearsJumping }),
    onError: tellFault,
    onSettled: () => readAnew(client, { topics: ["students"], studentIds: [detail.id] }),
  });
  return (
    <NumberInput
      label="Years of jumping, if known"
      size="md"
      w={220}
      min={0}
      max={MOST_YEARS}
      hideControls
      defaultValue={detail.yearsJumping ?? ""}
      onBlur={(event) => {
        const text = event.currentTarget.value;
        const years = text === "" ? null : Math.min(MOST_YEARS, Number(text));
        if (years !== detail.yearsJumping) save.mutate(years);
      }}
    />
  );
}

interface AskingProps {
  readonly detail: StudentDetail;
  readonly background: PlacementBackground;
}

function Asking({ detail, background }: AskingProps) {
  const paths = usePaths();
  const placement = usePlacement(detail.id, background);
  const { answers, question, isAnswered, answer, takeBack, passOver } = placement;
  const last = answers.at(-1);
  const side = question?.sides.find((one) => !isAnswered(question.subject, one));
  const press = (seen: PlacementAnswer) => {
    if (question !== null && side !== undefined) void answer(question.subject, side, seen);
  };
  useHotkeys([
    ["1", () => press("clean")],
    ["2", () => press("nearly")],
    ["3", () => press("no")],
    ["z", () => last && void takeBack(last)],
  ]);
  if (placement.decisions.isPending) return <Skeleton height={400} m="lg" />;
  const asked = new Set(answers.map((one) => one.subject)).size;
  const right = 1 - placement.placement.expectedWrong / sidesInAll();
  return (
    <div className={classes.page}>
      <section className={classes.ask} aria-live="polite">
        <Text className={classes.quiet}>
          {asked === 0
            ? "A dozen skills are enough. Each is chosen for what its answer tells about the rest."
            : `${counted(asked, "skill")} asked. About ${percentWords(right)} of all sides should be placed right by now.`}
        </Text>
        {question === null ? (
          <>
            <Title order={2}>Placed</Title>
            <Text>Nothing that could still be asked would tell much more.</Text>
          </>
        ) : (
          <Try
            key={question.subject}
            subject={question.subject}
            sides={question.sides}
            answered={(one) => answers.find((a) => a.subject === question.subject && a.side === one)?.answer}
            onAnswer={(one, seen) => void answer(question.subject, one, seen)}
          />
        )}
        <Group mt="lg" gap="xs">
          {last !== undefined && (
            <Button variant="default" size="md" onClick={() => void takeBack(last)}>
              Undo: {skillName(last.subject)} (Z)
            </Button>
          )}
          {question !== null && (
            <Button variant="default" size="md" onClick={() => passOver(question.subject)}>
              Ask something else
            </Button>
          )}
          <Button component={Link} to={paths.student(detail.id)} variant="default" size="md">
            Stop here, see the strands
          </Button>
        </Group>
        {asked === 0 && (
          <div className={classes.years}>
            <Years detail={detail} />
          </div>
        )}
      </section>
      <Conclusions placement={placement} />
    </div>
  );
}

interface TryProps {
  readonly subject: string;
  readonly sides: readonly SideName[];
  readonly answered: (side: SideName) => PlacementAnswer | undefined;
  readonly onAnswer: (side: SideName, answer: PlacementAnswer) => void;
}

/** One skill to try: how it goes, what to look at, and three answers a side. */
function Try({ subject, sides, answered, onAnswer }: TryProps) {
  const skill = skillOf(catalogue(), subject);
  const score = sideScore(skill, sides[0] ?? "whole");
  return (
    <>
      <Title order={2} className={classes.name}>
        {capital(skill.name)}
      </Title>
      <Text className={classes.quiet}>
        {skill.aliases.length > 0 && `Also: ${skill.aliases.join(", ")}. `}
        {score !== null && `${capital(readScore(score).join(", "))}. `}
        Look at this: {skill.look}
      </Text>
      {sides.map((side) => (
        <fieldset key={side} className={classes.side}>
          <legend>{side === "whole" ? "A few tries" : `${capital(side)} side, a few tries`}</legend>
          {PLACEMENT_ANSWERS.map((seen, place) => (
            <Button
              key={seen}
              className={classes.answer}
              variant={answered(side) === seen ? "filled" : "default"}
              aria-pressed={answered(side) === seen}
              onClick={() => onAnswer(side, seen)}
            >
              {ANSWER_WORDS[seen]}
              <span className={classes.key}>{place + 1}</span>
            </Button>
          ))}
        </fieldset>
      ))}
    </>
  );
}
