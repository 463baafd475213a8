import { byName } from "@mirrup/core";
import { isMet } from "@mirrup/core/teaching";
import { Button, Group, Text, TextInput } from "@mantine/core";
import { Fragment } from "react";
import { Link } from "react-router";
import { catalogue, programmes } from "../app/catalogue.js";
import { ownDay } from "../app/own-day.js";
import { usePaths } from "../app/paths.js";
import { counted } from "../app/plural.js";
import { useUnsavedText } from "../device/index.js";
import { SIDE_LETTERS, TickBox } from "../app/tick-box.js";
import { dateWords, skillName } from "../app/words.js";
import { useTicked, useTicks } from "../students/index.js";
import type { Grid, GridSide, GridStudent } from "./grid.js";
import { skillsOfSheet } from "./sheet-skills.js";
import classes from "../app/sheet.module.css";

interface Tick {
  readonly student: GridStudent;
  readonly side: GridSide;
}

const canTick = ({ coded }: GridSide) => !isMet(coded.status) && coded.status !== "locked";

const keyOf = ({ student, side }: Tick) => `${student.id} ${side.subject}:${side.side}`;

interface BoxProps extends Tick {
  readonly isTicked: boolean;
  readonly mayEdit: boolean;
  readonly onTick: () => void;
}

/** One side to tick: solid where it is known, a box where it is open, struck out where it is locked. */
function Box({ student, side, isTicked, mayEdit, onTick }: BoxProps) {
  const { status } = side.coded;
  const letter = SIDE_LETTERS[side.side];
  if (isMet(status)) return <span className={classes.known}>{letter}</span>;
  if (status === "locked") return <span className={classes.locked}>{letter}</span>;
  const name = `${student.name}, ${skillName(side.subject)}`;
  return <TickBox {...{ name, isTicked, mayEdit, onTick }} side={side.side} />;
}

interface SkillSheetProps {
  readonly grid: Grid;
  readonly groupId: string | undefined;
  readonly title: string;
  readonly mayEdit: boolean;
}

/** One page to tick by hand in the hall, and the same page to type the ticks back from. */
export function SkillSheet({ grid, groupId, title, mayEdit }: SkillSheetProps) {
  const paths = usePaths();
  const going = [...programmes()].filter(([, { isEnded }]) => isEnded !== true);
  const { ticked, toggle, drop } = useTicked(`skill-sheet ${title}`);
  const [reason, setReason] = useUnsavedText(`skill-sheet-reason ${title}`);
  const { log, isPending } = useTicks();
  const skills = skillsOfSheet(grid, catalogue());
  const students = [...grid.students].sort((one, other) => byName(one.name, other.name));
  const today = dateWords(ownDay());
  const words = reason.trim() === "" ? `Ticked on the skill sheet of ${today}.` : reason.trim();
  const clear = async () => {
    const cleared = ticks.map(({ student, side }) => ({ studentId: student.id, ...side }));
    const done = `${counted(ticks.length, "tick is", "ticks are")} cleared by hand.`;
    if (!(await log(cleared, words, done))) return;
    drop(ticks.map(keyOf));
    setReason("");
  };
  // What has no box any more, since it was cleared or locked meanwhile, is not sent unseen.
  const ticks = students.flatMap((student) =>
    skills
      .flatMap((subject) => student.bySkill.get(subject) ?? [])
      .map((side): Tick => ({ student, side }))
      .filter((one) => ticked.has(keyOf(one)) && canTick(one.side)),
  );
  return (
    <div>
      <Group className={classes.tools} align="flex-end" mb="sm">
        <Button variant="default" size="md" onClick={() => window.print()}>
          Print the sheet
        </Button>
        {mayEdit && (
          <>
            <TextInput
              label="Reason of the clearings"
              placeholder={words}
              size="md"
              w={330}
              maxLength={500}
              value={reason}
              onChange={(event) => setReason(event.currentTarget.value)}
            />
            <Button size="md" disabled={ticks.length === 0} loading={isPending} onClick={() => void clear()}>
              Clear {counted(ticks.length, "tick")}
            </Button>
          </>
        )}
        <Text className={classes.quiet}>
          The skills that most are ready for. Tick by hand in the hall, then press the same boxes here.
          {going.length > 0 && (
            <>
              {" "}
              Or the sheet of a programme:{" "}
              {going.map(([key, { name }], place) => (
                <Fragment key={key}>
                  {place > 0 && ", "}
                  <Link to={paths.programme(key, groupId)}>{name}</Link>
                </Fragment>
              ))}
              .
            </>
          )}
        </Text>
      </Group>
      <p className={classes.heading}>
        {title}, {today}. L left side, R right side; filled is known, crossed out is locked.
      </p>
      <div className={classes.scroll}>
        <table className={classes.sheet}>
          <thead>
            <tr>
              <th scope="col">Student</th>
              {skills.map((subject) => (
                <th key={subject} scope="col" className={classes.skill}>
                  <span>{skillName(subject)}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {students.map((student) => (
              <tr key={student.id}>
                <th scope="row">{student.name}</th>
                {skills.map((subject) => (
                  <td key={subject}>
                    <span className={classes.pair}>
                      {(student.bySkill.get(subject) ?? []).map((side) => (
                        <Box
                          key={side.side}
                          student={student}
                          side={side}
                          mayEdit={mayEdit}
                          isTicked={ticked.has(keyOf({ student, side }))}
                          onTick={() => toggle(keyOf({ student, side }))}
                        />
                      ))}
                    </span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
