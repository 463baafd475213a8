import { useDocumentTitle } from "@mantine/hooks";
import { useParams } from "react-router";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import type { RoundTask } from "../app/round-set.js";
import { Round, skillPractice, useWakeLock } from "../floor/index.js";
import { stationPlace } from "../presence/index.js";
import { useStudents } from "../students/index.js";
import { withDrillsNow } from "./drills-now.js";
import { withoutAway } from "./hall.js";
import { atStation, pairsAt, shownOf } from "./shown.js";
import { useClassOptions, useLesson } from "./use-lesson.js";

const NOBODY: readonly never[] = [];

/** One station of a turn: what each one there is to do, and one tap for each. */
export function StationPage() {
  const { lessonId = "", turn: turnText = "", station: stationText = "" } = useParams();
  const [turn, station] = [Number(turnText) - 1, Number(stationText) - 1];
  const paths = usePaths();
  const { lesson, data, isError, error, refetch } = useLesson(lessonId);
  const students = useStudents();
  const options = useClassOptions({ lesson, data });
  useWakeLock();
  useDocumentTitle("A station · Mirrup");
  if (lesson === undefined && isError) {
    return (
      <Fault title="The lesson could not be read" onRetry={() => void refetch()}>
        {error.message}
      </Fault>
    );
  }
  if (students.data === undefined && students.isError) {
    return (
      <Fault title="The class could not be read" onRetry={() => void students.refetch()}>
        {students.error.message}
      </Fault>
    );
  }
  if (lesson === undefined || students.data === undefined) return <p role="status">Opening …</p>;
  const plan = shownOf(lesson);
  const subject = plan?.rotations[turn]?.stations[station]?.subject;
  if (plan === null || subject == null) {
    return (
      <Fault title="There is nothing at this station">
        The lesson was planned anew meanwhile. Go back to the hall and choose a station there.
      </Fault>
    );
  }
  const read = options.data ?? [];
  // Whoever stops here is told of as such, with what they had done by then.
  const now = withDrillsNow(withoutAway(plan, lesson, NOBODY), turn, read);
  const here = atStation(now, turn, station);
  const tasks = new Map(
    here.map(({ id, place }): [string, RoundTask] => [id, { side: place.side, drill: place.drill }]),
  );
  return (
    <Round
      key={`${lessonId} ${turn} ${station}`}
      keptAs={`${lessonId} ${turn} ${station}`}
      place={stationPlace(lessonId, turn, station)}
      name={`${lesson.title}, turn ${turn + 1}, station ${station + 1}`}
      back={paths.lesson(lessonId)}
      practice={skillPractice(subject)}
      students={students.data.filter((student) => tasks.has(student.id))}
      tasks={tasks}
      pairs={pairsAt(withoutAway(now, lesson, read), turn, station).map((pair) => pair.map(({ id }) => id))}
    />
  );
}
