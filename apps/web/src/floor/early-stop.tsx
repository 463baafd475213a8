import { CAUTIONS } from "@mirrup/catalogue";
import { sayStop, useStops } from "../device/index.js";
import classes from "./floor.module.css";

/** Whether jumping has ended for a student today, and what ends it or takes that back. */
export function useStopped(studentId: string, isStored: boolean) {
  const isStopped = useStops();
  return {
    hasStopped: isStopped(studentId, isStored),
    press: (stops: boolean) => sayStop(studentId, stops),
  };
}

interface StoppedProps {
  readonly name: string;
  readonly isSent: boolean;
  readonly onTakeBack: () => void;
}

/** In place of the floor: jumping has ended for this student today. */
export function Stopped({ name, isSent, onTakeBack }: StoppedProps) {
  return (
    <div className={classes.stopped} role="alert">
      <h2>Jumping ends for {name === "" ? "this student" : name} today</h2>
      <p>{CAUTIONS.pain}</p>
      <p>
        Only that it ended early is kept, not why.
        {!isSent && " It is kept on this device, and the server is told as soon as it answers."}
      </p>
      <button type="button" className={classes.small} onClick={onTakeBack}>
        It was pressed by mistake
      </button>
    </div>
  );
}
