import { CAUTIONS, DRILLS } from "@mirrup/catalogue";
import type { LessonView } from "@mirrup/contract";
import { byName, skillOf } from "@mirrup/core";
import { Button, Group, Text, Title } from "@mantine/core";
import { catalogue } from "../app/catalogue.js";
import { OnePage } from "../app/one-page.js";
import { capital, dateWords, skillName } from "../app/words.js";
import { drillsShown } from "./drills-shown.js";
import { MarksForm } from "./marks-form.js";
import { clockWords, stepsOf, type ShownPlan } from "./shown.js";
import { taskWords, WATCH_NAMES } from "./words.js";
import classes from "./substitute-sheet.module.css";

interface SubstituteSheetProps {
  readonly lesson: LessonView;
  readonly plan: ShownPlan;
  readonly nameOf: (id: string) => string;
  readonly onLeave: () => void;
}

/** One page from which a stranger runs the class, and where the marks on it are typed back. */
export function SubstituteSheet({ lesson, plan, nameOf, onLeave }: SubstituteSheetProps) {
  const students = [...plan.students]
    .filter((one) => one.places.some((place) => place !== null))
    .sort((one, other) => byName(nameOf(one.id), nameOf(other.id)));
  const subjects = [
    ...new Set(plan.rotations.flatMap((turn) => turn.stations.flatMap((one) => one.subject ?? []))),
  ];
  return (
    <section className={classes.sheet}>
      <Group className={classes.tools}>
        <Button size="md" onClick={() => window.print()}>
          Print the sheet
        </Button>
        <Button size="md" variant="default" onClick={onLeave}>
          Back to the plan
        </Button>
      </Group>
      <OnePage>
        <div className={classes.paper}>
          <header>
            <Title order={1}>
              {lesson.title}, {dateWords(lesson.day)}
              {lesson.startTime !== null && `, ${lesson.startTime}`}
            </Title>
            <Text>
              {lesson.minutes} minutes{lesson.place !== "" && `, ${lesson.place}`}. Each pair: one jumps, the
              other counts, then they change. Mark each box: M made it, N nearly, X not yet, or the number: in
              a row, right of the tries, or seconds held. {CAUTIONS.space} Pain ends jumping for that student
              today.
            </Text>
          </header>
          <Steps plan={plan} startTime={lesson.startTime} />
          <dl className={classes.how}>
            {subjects.map((subject) => (
              <div key={subject}>
                <dt>{capital(skillName(subject))}</dt>
                <dd>
                  {skillOf(catalogue(), subject).cues[0]} Counts when: {skillOf(catalogue(), subject).look}
                </dd>
              </div>
            ))}
            {drillsShown(plan).map((kind) => (
              <div key={kind}>
                <dt>{capital(DRILLS[kind].name)}</dt>
                <dd>{DRILLS[kind].manner}</dd>
              </div>
            ))}
          </dl>
          <table className={classes.marks}>
            <caption className={classes.said}>
              What each student does in each turn, with a box for the mark
            </caption>
            <thead>
              <tr>
                <th scope="col">Student</th>
                {plan.rotations.map((_, turn) => (
                  <th key={turn} scope="col">
                    Turn {turn + 1}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {students.map(({ id, places }) => (
                <tr key={id}>
                  <th scope="row">{nameOf(id)}</th>
                  {plan.rotations.map(({ stations }, turn) => {
                    const place = places[turn] ?? null;
                    const subject = stations[place?.station ?? -1]?.subject ?? null;
                    return (
                      <td key={turn}>
                        {place !== null && subject !== null && (
                          <span className={classes.task}>
                            <span>
                              <strong>{place.station + 1}</strong> {skillName(subject)}:{" "}
                              {taskWords(subject, place)}
                            </span>
                            <i className={classes.box} />
                          </span>
                        )}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </OnePage>
      <MarksForm lesson={lesson} plan={plan} students={students.map((one) => one.id)} nameOf={nameOf} />
    </section>
  );
}

/** When what begins, and what is done at which station. */
function Steps({ plan, startTime }: { readonly plan: ShownPlan; readonly startTime: string | null }) {
  return (
    <ol className={classes.steps}>
      {stepsOf(plan).map((step) => (
        <li key={`${step.kind} ${step.from}`}>
          <strong>{clockWords(startTime, step.from)}</strong>{" "}
          {step.kind === "turn"
            ? `Turn ${step.turn + 1}: ${(plan.rotations[step.turn]?.stations ?? [])
                .flatMap(({ subject, watchedBy }, station) =>
                  subject === null
                    ? []
                    : [
                        `${station + 1} ${skillName(subject)}${watchedBy === "nobody" ? "" : ` (${WATCH_NAMES[watchedBy]})`}`,
                      ],
                )
                .join(", ")}`
            : step.kind === "warm-up"
              ? "Warm-up together: easy jumping, ankles and calves first"
              : "Close together: easy jumping, water"}
        </li>
      ))}
    </ol>
  );
}
