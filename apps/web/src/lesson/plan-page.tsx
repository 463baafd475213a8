import { CAUTIONS } from "@mirrup/catalogue";
import type { LessonView } from "@mirrup/contract";
import { skillOf, type CautionCode } from "@mirrup/core";
import type { ClassPlan } from "@mirrup/core/planning";
import { Alert, Button, Group, Menu, Progress, Skeleton, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { IconPlayerPlay, IconPrinter, IconX } from "@tabler/icons-react";
import { Link, useParams, useSearchParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { useMayTeach } from "../account/index.js";
import { isStale } from "../app/api.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { saveFile } from "../app/save-file.js";
import { UndoRedo } from "../app/undo-redo.js";
import { dateWords, skillName } from "../app/words.js";
import { useNames, useSettings } from "../students/index.js";
import { askedOf, withBan, type Asked } from "./asked.js";
import { isOutOfDate, studentsHere } from "./hall.js";
import { PlanControls } from "./plan-controls.js";
import { PlanTable } from "./plan-table.js";
import { clockWords, shownOf, stepsOf, type ShownPlan } from "./shown.js";
import { RunningTable } from "./running-table.js";
import { SubstituteSheet } from "./substitute-sheet.js";
import { useAsking, useAtHand } from "./use-asking.js";
import { useAutoSave } from "./use-auto-save.js";
import { useClassPlan } from "./use-class-plan.js";
import { useBeads } from "./use-beads.js";
import { useClassOptions, useLesson } from "./use-lesson.js";
import { useTakeOff } from "./use-take-off.js";
import { WorthBars } from "./worth-bars.js";
import { When } from "./when.js";
import { faultWords, usefulWords } from "./words.js";
import classes from "./plan-page.module.css";

/** What reads and writes files is on its way only once one is asked for. */
async function saveLesson(lesson: LessonView, nameOf: (id: string) => string): Promise<void> {
  const { writeLesson } = await import("./lesson-file.js");
  saveFile(`${lesson.day} class.json`, writeLesson(lesson, nameOf), "application/json");
}

/** What does this class do in these minutes, who is where, and what is it worth? */
export function PlanPage() {
  const { lessonId = "" } = useParams();
  const { lesson, data, error, refetch, save } = useLesson(lessonId);
  const { value } = useSettings();
  const [atHand] = useAtHand();
  useDocumentTitle(`${lesson?.title ?? "Class plan"} · Mirrup`);
  const failure = failureOf({ data, error });
  if (failure !== null) {
    return (
      <Fault title="The lesson could not be read" onRetry={() => void refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (lesson === undefined) return <Skeleton height={480} m="lg" />;
  const hardSkill = value("hard-skill") === "early" ? "early" : "late";
  const first = askedOf(lesson, atHand, hardSkill);
  return <PlanDesk key={lesson.id} lesson={lesson} data={data} first={first} save={save} />;
}

interface PlanDeskProps {
  readonly lesson: LessonView;
  /** The lesson as the server has it. */
  readonly data: LessonView | undefined;
  readonly first: Asked;
  readonly save: ReturnType<typeof useLesson>["save"];
}

function PlanDesk({ lesson, data, first, save }: PlanDeskProps) {
  const paths = usePaths();
  const [params, setParams] = useSearchParams();
  const takeOff = useTakeOff();
  const isStarted = lesson.progress !== null || lesson.finishedAt !== null;
  const isCoach = useMayTeach();
  const mayEdit = isCoach && !isStarted;
  const asking = useAsking({ lesson, first, mayEdit, save });
  const { asked, ask } = asking;
  const options = useClassOptions({ lesson, data }, asked.missing);
  const students = options.data === undefined ? undefined : studentsHere(lesson, options.data, 0);
  const kept = shownOf(lesson);
  // Attendance may have changed since it was planned.
  const isOld = kept === null || (students !== undefined && isOutOfDate(kept, students, 0));
  const isAsking = mayEdit && (isOld || asking.isChanged);
  const planned = useClassPlan(lesson.id, asked, isAsking ? students : undefined);
  const { planning, isPlaceholderData } = planned;
  // The plan before stays until the next is there, but not in the place of one that is stored.
  const made = isAsking || !isPlaceholderData ? planned.data : undefined;
  const plan: ShownPlan | null = made ?? kept;
  useAutoSave(lesson, asking, isPlaceholderData ? undefined : made, save);
  const nameOf = useNames();
  const beadOf = useBeads();
  if (params.get("sheet") === "substitute" && plan !== null) {
    return (
      <SubstituteSheet
        lesson={lesson}
        plan={plan}
        nameOf={nameOf}
        onLeave={() => setParams({}, { replace: true })}
      />
    );
  }
  const { useful, minutes, sameForAll, most } = made ??
    lesson.plan ?? { useful: 0, minutes: 0, sameForAll: 0, most: 0 };
  const { before, left } = asking;
  const cost = costOf(made, before === undefined ? undefined : planned.usefulOf(before), isPlaceholderData);
  return (
    <section className={classes.page}>
      <header className={classes.header}>
        <div>
          <Title order={1}>{lesson.title}</Title>
          <Text className={classes.quiet}>
            {[dateWords(lesson.day), lesson.startTime, lesson.place].filter(Boolean).join(", ")}.{" "}
            {students?.length ?? "…"} planned for.
          </Text>
        </div>
        <Group gap="xs" className={classes.actions}>
          <SavedNote save={save} />
          <UndoRedo size="sm" onUndo={asking.undo} onRedo={asking.redo} />
          <Menu>
            <Menu.Target>
              <Button variant="default" leftSection={<IconPrinter size={20} aria-hidden />}>
                Print or save
              </Button>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item onClick={() => window.print()}>Print this plan</Menu.Item>
              <Menu.Item onClick={() => setParams({ sheet: "substitute" })}>
                A substitute’s sheet, and its marks
              </Menu.Item>
              {mayEdit && (
                <Menu.Item color="red" onClick={() => void takeOff(lesson)}>
                  Cancel the lesson
                </Menu.Item>
              )}
              <Menu.Item disabled={lesson.plan === null} onClick={() => void saveLesson(lesson, nameOf)}>
                Save the plan as a file
              </Menu.Item>
            </Menu.Dropdown>
          </Menu>
          <Button
            component={Link}
            to={paths.lesson(lesson.id)}
            leftSection={<IconPlayerPlay size={20} aria-hidden />}
          >
            {isStarted ? "Go to the hall" : "Start the lesson"}
          </Button>
        </Group>
      </header>
      {isStarted && (
        <Alert title={lesson.finishedAt === null ? "Under way" : "Held"}>
          {lesson.finishedAt === null
            ? "This lesson has begun: it changes in the hall, where the rest is planned anew around what was done."
            : "This lesson is over; what was planned stands beside what was done."}
        </Alert>
      )}
      {mayEdit && left !== null && (
        <Alert color="yellow" title="What you last asked for is not in this plan">
          <Group justify="space-between" gap="xs">
            <Text>You left before it was planned, and the lesson has been changed since.</Text>
            <Group gap="xs">
              <Button size="compact-md" onClick={left.askAgain}>
                Ask for it again
              </Button>
              <Button variant="default" size="compact-md" onClick={left.discard}>
                Discard it
              </Button>
            </Group>
          </Group>
        </Alert>
      )}
      {mayEdit && <When lesson={lesson} save={save} />}
      {mayEdit && <PlanControls asked={asked} students={options.data ?? []} onAsk={ask} />}
      {options.isError && (
        <Alert color="red" title="What the students can do could not be read">
          {options.error.message}
        </Alert>
      )}
      <div className={classes.progress} aria-live="polite">
        {planning !== null && (
          <>
            <Progress value={100 * planning.share} aria-label="Planning" />
            <Button variant="default" size="compact-md" onClick={planning.take}>
              Stop, take the best so far
            </Button>
          </>
        )}
        {planning === null && cost !== null && <Text>{cost}</Text>}
      </div>
      {planned.isError && <Alert color="red">{planned.error.message}</Alert>}
      {(made?.faults ?? []).map((fault) => (
        <Alert key={JSON.stringify(fault)} color="yellow">
          {faultWords(fault, nameOf)}
        </Alert>
      ))}
      {plan === null && !planned.isError && <Skeleton height={360} />}
      {plan !== null && plan.rotations.length > 0 && (
        <>
          <Text className={classes.sum} role="status">
            {usefulWords({ useful, minutes, sameForAll, most })}
          </Text>
          <WorthBars useful={useful} sameForAll={sameForAll} most={most} />
          <Bans asked={asked} onAsk={ask} />
          <Together plan={plan} startTime={lesson.startTime} kind="warm-up" />
          <PlanTable
            plan={plan}
            asked={asked}
            options={students ?? []}
            startTime={lesson.startTime}
            mayEdit={mayEdit}
            nameOf={nameOf}
            beadOf={beadOf}
            onAsk={ask}
          />
          <Together plan={plan} startTime={lesson.startTime} kind="close" />
          <RunningTable
            plan={plan}
            coaches={asked.coaches}
            ropes={asked.ropes ?? null}
            students={students ?? []}
            startTime={lesson.startTime}
            nameOf={nameOf}
          />
          <Cautions plan={plan} />
        </>
      )}
    </section>
  );
}

/** What the last change gave or took, once both plans are made. */
function costOf(made: ClassPlan | undefined, before: number | undefined, isOld: boolean): string | null {
  if (made === undefined || before === undefined || isOld) return null;
  const lost = Math.round(before - made.useful);
  if (lost === 0) return "The last change costs no useful minutes.";
  return lost > 0
    ? `The last change costs ${counted(lost, "useful minute")}.`
    : `The last change gives ${counted(-lost, "useful minute")} more.`;
}

function SavedNote({ save }: Pick<PlanDeskProps, "save">) {
  if (save.isError) {
    const isOld = isStale(save.error);
    return (
      <Text c="red" role="alert">
        {isOld ? "Somebody else changed this plan meanwhile." : save.error.message}{" "}
        <Button variant="default" size="compact-md" onClick={() => window.location.reload()}>
          {isOld ? "Load theirs" : "Reload it"}
        </Button>
      </Text>
    );
  }
  return (
    <Text className={classes.quiet} role="status">
      {save.isPending ? "Saving …" : save.isSuccess ? "Saved" : ""}
    </Text>
  );
}

function Bans({ asked, onAsk }: { readonly asked: Asked; readonly onAsk: (asked: Asked) => void }) {
  if (asked.bans.length === 0) return null;
  return (
    <div className={classes.bans}>
      <Text>Not today:</Text>
      {asked.bans.map((subject) => (
        <Button
          key={subject}
          variant="default"
          size="compact-md"
          rightSection={<IconX size={16} aria-hidden />}
          onClick={() => onAsk(withBan(asked, subject, false))}
        >
          <span className={classes.said}>Bring back: </span>
          {skillName(subject)}
        </Button>
      ))}
    </div>
  );
}

interface TogetherProps {
  readonly plan: ShownPlan;
  readonly startTime: string | null;
  readonly kind: "warm-up" | "close";
}

function Together({ plan, startTime, kind }: TogetherProps) {
  const step = stepsOf(plan).find((one) => one.kind === kind);
  if (step === undefined || step.minutes === 0) return null;
  const what =
    kind === "warm-up"
      ? "Everybody: easy jumping in a circle, ankles and calves first."
      : "Everybody together: easy jumping, water, what went well.";
  return (
    <p className={classes.together}>
      <strong>{clockWords(startTime, step.from)}</strong>, for {step.minutes} minutes. {what}
    </p>
  );
}

/** What the drills of the plan ask for, each once. */
function Cautions({ plan }: { readonly plan: ShownPlan }) {
  const subjects = plan.rotations.flatMap((turn) => turn.stations.flatMap((one) => one.subject ?? []));
  const codes = new Set<CautionCode>(["space", "surface", "heat"]);
  for (const subject of subjects) skillOf(catalogue(), subject).cautions.forEach((code) => codes.add(code));
  return (
    <ul className={classes.quiet}>
      {[...codes].map((code) => (
        <li key={code}>{CAUTIONS[code]}</li>
      ))}
      <li>The venue’s rules and local codes for work with minors come before this plan.</li>
    </ul>
  );
}
