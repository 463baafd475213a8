import type { WeeksView } from "@mirrup/contract";
import type { Give } from "@mirrup/core/planning";
import { Group, Skeleton, Text, Title } from "@mantine/core";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";
import { useState } from "react";
import { counted } from "../app/plural.js";
import { isProblem } from "../app/api.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { Gives } from "../app/gives.js";
import { usePaths } from "../app/paths.js";
import {
  capital,
  dateWords,
  daysWords,
  goalWords,
  listWords,
  subjectName,
  wholeWords,
} from "../app/words.js";
import { SkillBead, weeksQuery } from "../students/index.js";
import { WeeksFields } from "../app/weeks-fields.js";
import shared from "../app/weeks.module.css";
import { addressOfWeeks, weeksAskedFrom, type WeeksAsked } from "../app/weeks-asked.js";
import { giveWords, outlookWords } from "./weeks-words.js";
import { WeeksStripFigure } from "./weeks-strip-figure.js";
import classes from "./weeks-page.module.css";

/** Less of a step in a week is nothing to plan. */
const LEAST_SHOWN = 0.5;

/** Will it be enough by a date, and what does each week hold until then? */
export function WeeksPage() {
  const { studentId = "" } = useParams();
  const [params, setParams] = useSearchParams();
  const [openedAt] = useState(() => Date.now());
  const asked = weeksAskedFrom(params, openedAt);
  const view = useQuery({
    ...weeksQuery(studentId, addressOfWeeks(asked).toString()),
    placeholderData: keepPreviousData,
    retry: (count, error) => !isProblem(error) && count < 2,
  });
  const ask = (changes: Partial<WeeksAsked>) =>
    // Seen at once: what is asked next is asked beside it.
    setParams(addressOfWeeks({ ...asked, ...changes }), { replace: true, flushSync: true });
  const refusal = isProblem(view.error) && view.error.problem.status === 422 ? view.error.message : null;
  const failure = failureOf(view);
  if (failure !== null && refusal === null) {
    return (
      <Fault title="The weeks could not be planned" onRetry={() => void view.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  return (
    <section className={classes.page}>
      <Group align="end">
        <WeeksFields
          asked={asked}
          label="Until"
          refusal={refusal}
          usual={{
            perWeek: `${view.data?.lessonsAWeek ?? 1}, by the groups`,
            tries: `${view.data?.triesALesson ?? ""}, as lately`,
          }}
          onAsk={ask}
        />
      </Group>
      {view.data === undefined && refusal === null && <Skeleton height={320} />}
      {view.data !== undefined && refusal === null && (
        <Outlook studentId={studentId} view={view.data} isOld={view.isPlaceholderData} onAsk={ask} />
      )}
    </section>
  );
}

interface OutlookProps {
  readonly studentId: string;
  readonly view: WeeksView;
  /** Whether it answers what was asked before, until the new answer is there. */
  readonly isOld: boolean;
  readonly onAsk: (changes: Partial<WeeksAsked>) => void;
}

/** What the page can ask for itself of what would have to give. */
function askedBy(give: Give): Partial<WeeksAsked> | null {
  if (give.code === "lessons") return { perWeek: give.aWeek };
  return give.code === "later" ? { until: give.until } : null;
}

function Outlook({ studentId, view, isOld, onAsk }: OutlookProps) {
  const paths = usePaths();
  const { title, why } = outlookWords(view);
  const { goals, reached, until } = view;
  return (
    <>
      <div role="status" className={classes.outlook} data-outlook={view.outlook}>
        <Title order={2}>{title}</Title>
        {goals.length > 0 && (
          <Text>
            {capital(listWords(goals.map(goalWords)))}, by {dateWords(until)}.
          </Text>
        )}
        <Text>
          {goals.length === 0 ? (
            <>
              No goal is chosen.{" "}
              <Link to={paths.studentPage(studentId, "record")}>Choose one on the record</Link>.
            </>
          ) : (
            why
          )}
        </Text>
        {goals.length > 0 && reached.length > 0 && (
          <Text>
            By then, at the middle of the range:{" "}
            {listWords(reached.map((one) => subjectName(one.subject, one.side)))}.
          </Text>
        )}
      </div>
      <Gives
        isOld={isOld}
        gives={view.gives.map((give) => {
          const changes = askedBy(give);
          return { words: giveWords(give), onPlan: changes === null ? null : () => onAsk(changes) };
        })}
      />
      {view.weeks.length > 0 && <WeeksStripFigure weeks={view.weeks} />}
      <ol className={shared.weeks}>
        {view.weeks.map((week) => (
          <li key={week.start} className={shared.week}>
            <Title order={3}>Week of {daysWords(week.start)}</Title>
            <span className={shared.quiet}>
              {counted(week.lessons.length, "lesson")}, about {wholeWords(week.landings)}
              {view.allowance !== null && ` of the ${wholeWords(view.allowance)}`} weighted landings
              {view.allowance !== null && " that are allowed"}
              {week.slack >= 1 && `, room for ${wholeWords(week.slack)} tries more`}
              {week.isTaper && ", half of the usual: the week before goes easy"}
            </span>
            <ul>
              {week.work
                .filter(({ tries }) => tries >= LEAST_SHOWN)
                .map(({ subject, side, tries, finishes }) => (
                  <li key={`${subject}:${side}`}>
                    <SkillBead studentId={studentId} subject={subject} size={22} />
                    <Link to={paths.floor(studentId, subject, side)}>
                      {capital(subjectName(subject, side))}
                    </Link>
                    : {wholeWords(tries)} tries{finishes && ", then the gate"}
                  </li>
                ))}
              {week.reviews.length > 0 && (
                <li>Reviews: {listWords(week.reviews.map((one) => subjectName(one.subject, one.side)))}</li>
              )}
            </ul>
          </li>
        ))}
      </ol>
      {view.weeks.length === 0 && (
        <Text>No lesson lies before that date. Choose a later one, or more days.</Text>
      )}
      <Text className={shared.quiet}>
        Tries left are the learner model’s, with their range; the plan is made anew as the log grows.
      </Text>
    </>
  );
}
