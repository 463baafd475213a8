import type { ProgrammeProgress } from "@mirrup/contract";
import { itemKey, itemSubject, programmeItems, type OwnProgramme } from "@mirrup/core";
import type { ItemSideProgress } from "@mirrup/core/teaching";
import { Button, Group, Text, TextInput } from "@mantine/core";
import { Fragment, useState } from "react";
import { ownDay } from "../app/own-day.js";
import { counted } from "../app/plural.js";
import { SIDE_LETTERS, TickBox } from "../app/tick-box.js";
import { dateWords, skillName } from "../app/words.js";
import { useUnsavedText } from "../device/index.js";
import { useTicked, useTicks, type Tick } from "../students/index.js";
import { sheetParts, type SheetPart } from "./draft.js";
import sheet from "../app/sheet.module.css";
import classes from "./programmes.module.css";
import { askWords, ITEM_SIDE_NAMES, sideWords } from "./words.js";

const isDay = (text: string) => /^\d{4}-\d{2}-\d{2}$/.test(text);

const tickKey = ({ studentId, subject, side }: Tick) => `${studentId} ${subject}:${side}`;

interface BoxProps {
  /** Who and what it is of. */
  readonly name: string;
  readonly progress: ItemSideProgress;
  readonly isTicked: boolean;
  readonly mayEdit: boolean;
  readonly onTick: () => void;
}

/** One side of an item: filled by the record, ticked by hand, or a box to tick. */
function Box({ name, progress, isTicked, mayEdit, onTick }: BoxProps) {
  const words = `${name}, ${sideWords(progress)}`;
  if (progress.by !== null) {
    return (
      <span
        role="img"
        aria-label={words}
        title={words}
        className={progress.by === "hand" ? sheet.ticked : sheet.known}
      >
        {progress.by === "hand" ? "✓" : SIDE_LETTERS[progress.side]}
      </span>
    );
  }
  return <TickBox {...{ name, isTicked, mayEdit, onTick }} side={progress.side} />;
}

interface ProgrammeSheetProps {
  /** Of the programme. */
  readonly subject: string;
  readonly programme: OwnProgramme;
  readonly title: string;
  readonly students: readonly ProgrammeProgress[];
  readonly mayEdit: boolean;
}

/** A class's sheet of a programme: to print, to tick by hand in the hall, and to type the ticks back from. */
export function ProgrammeSheet({ subject, programme, title, students, mayEdit }: ProgrammeSheetProps) {
  const about = `programme ${subject} ${title}`;
  const { ticked, toggle, drop } = useTicked(about);
  const [reason, setReason] = useUnsavedText(`${about} reason`);
  const { log, isPending } = useTicks();
  const today = ownDay();
  const [on, setOn] = useState(today);
  const day = isDay(on) && on <= today ? on : today;
  const words =
    reason.trim() === "" ? `Ticked on the sheet of ${programme.name}, ${dateWords(day)}.` : reason.trim();
  const items = programmeItems(programme);
  // What was done meanwhile has no box any more, and is not sent unseen.
  const ticks = students.flatMap(({ studentId, items: progress }) =>
    items.flatMap((item, place) =>
      (progress[place]?.sides ?? [])
        .filter(({ by }) => by === null)
        .map(({ side }): Tick => ({ studentId, subject: itemSubject(subject, itemKey(item)), side }))
        .filter((one) => ticked.has(tickKey(one))),
    ),
  );
  const save = async () => {
    if (!(await log(ticks, words, `${counted(ticks.length, "tick is", "ticks are")} saved.`, day))) return;
    drop(ticks.map(tickKey));
    setReason("");
  };
  const finish = ({ studentId, name }: ProgrammeProgress) =>
    log(
      [{ studentId, subject, side: "whole" }],
      `Finished ${programme.name}.`,
      `${name} has finished ${programme.name}.`,
      day,
    );
  const parts = sheetParts(programme);
  return (
    <div>
      <Group className={sheet.tools} align="flex-end" mb="sm">
        <Button variant="default" size="md" onClick={() => window.print()}>
          Print the sheet
        </Button>
        {mayEdit && (
          <>
            <TextInput
              label="Where it was seen"
              placeholder={words}
              size="md"
              w={260}
              maw="100%"
              maxLength={500}
              value={reason}
              onChange={({ currentTarget }) => setReason(currentTarget.value)}
            />
            <TextInput
              type="date"
              label="Seen on"
              size="md"
              max={today}
              value={on}
              error={day === on ? undefined : "Not after today."}
              onChange={({ currentTarget }) => setOn(currentTarget.value)}
            />
            <Button size="md" disabled={ticks.length === 0} loading={isPending} onClick={() => void save()}>
              Save {counted(ticks.length, "tick")}
            </Button>
          </>
        )}
        <Text className={sheet.quiet}>
          Tick by hand in the hall, then press the same boxes here. Filled is done by the record, ✓ was seen;
          a tick counts for the programme, and clears nothing.
        </Text>
      </Group>
      <p className={sheet.heading}>
        {programme.name}: {title}, {dateWords(today)}. L left side, R right side.
      </p>
      {parts.map((part, place) => (
        <Part
          key={part.first}
          isLast={place === parts.length - 1}
          {...{ part, subject, students, mayEdit, ticked }}
          onTick={toggle}
          onFinish={(student) => void finish(student)}
        />
      ))}
    </div>
  );
}

interface PartProps extends Pick<ProgrammeSheetProps, "subject" | "students" | "mayEdit"> {
  readonly part: SheetPart;
  readonly isLast: boolean;
  readonly ticked: ReadonlySet<string>;
  readonly onTick: (key: string) => void;
  readonly onFinish: (student: ProgrammeProgress) => void;
}

/** As many items as a page holds, a line a student; how far each is stands with the last. */
function Part({ part, isLast, subject, students, mayEdit, ticked, onTick, onFinish }: PartProps) {
  const items = part.headings.flatMap((heading) => heading.items);
  return (
    <div className={sheet.scroll}>
      <table className={sheet.sheet}>
        <thead>
          {part.headings.some(({ title }) => title !== "") && (
            <tr>
              <td />
              {part.headings.map(({ title, items: own }, place) => (
                <th key={place} scope="colgroup" colSpan={own.length} className={classes.colgroup}>
                  {title}
                </th>
              ))}
              {isLast && <td colSpan={2} />}
            </tr>
          )}
          <tr>
            <th scope="col">Student</th>
            {items.map((item) => (
              <th key={`${itemKey(item)} ${item.side}`} scope="col" className={sheet.skill} title={item.how}>
                <span>
                  {skillName(item.skill)}
                  {item.ask.kind !== "gate" && <small>{askWords(item.ask)}</small>}
                  {(item.side === "either" || item.how !== undefined) && (
                    <small>
                      {[item.side === "either" ? ITEM_SIDE_NAMES.either : "", item.how]
                        .filter(Boolean)
                        .join(", ")}
                    </small>
                  )}
                </span>
              </th>
            ))}
            {isLast && (
              <>
                <th scope="col">Done</th>
                <th scope="col">Finished</th>
              </>
            )}
          </tr>
        </thead>
        <tbody>
          {students.map((student) => (
            <tr key={student.studentId}>
              <th scope="row">{student.name}</th>
              {items.map((item, place) => (
                <td key={`${itemKey(item)} ${item.side}`}>
                  <span className={sheet.pair}>
                    {(student.items[part.first + place]?.sides ?? []).map((progress) => {
                      const tick: Tick = {
                        ...{ studentId: student.studentId, side: progress.side },
                        subject: itemSubject(subject, itemKey(item)),
                      };
                      return (
                        <Box
                          key={progress.side}
                          name={`${student.name}, ${skillName(item.skill)}`}
                          progress={progress}
                          mayEdit={mayEdit}
                          isTicked={ticked.has(tickKey(tick))}
                          onTick={() => onTick(tickKey(tick))}
                        />
                      );
                    })}
                  </span>
                </td>
              ))}
              {isLast && <Finished {...{ student, mayEdit, onFinish }} />}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface FinishedProps {
  readonly student: ProgrammeProgress;
  readonly mayEdit: boolean;
  readonly onFinish: (student: ProgrammeProgress) => void;
}

/** How much is done, and whether it was finished, or could be. */
function Finished({ student, mayEdit, onFinish }: FinishedProps) {
  const { name, items, done, isEnough, finishedOn, hasFinishedBefore } = student;
  return (
    <Fragment>
      <td className={classes.done}>
        {done} of {items.length}
      </td>
      <td className={classes.finished}>
        {finishedOn !== null && dateWords(finishedOn)}
        {finishedOn === null && isEnough && !hasFinishedBefore && "the one before first"}
        {finishedOn === null && isEnough && hasFinishedBefore && mayEdit && (
          <Button
            variant="default"
            size="compact-md"
            aria-label={`${name} has finished`}
            onClick={() => onFinish(student)}
          >
            Finish
          </Button>
        )}
      </td>
    </Fragment>
  );
}
