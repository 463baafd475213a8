import classes from "./stop-button.module.css";

interface StopButtonProps {
  readonly name: string;
  readonly onPress: () => void;
}

/** Beside somebody of several: something hurts, and jumping ends for them today. */
export function StopButton({ name, onPress }: StopButtonProps) {
  return (
    <button
      type="button"
      className={classes.stop}
      aria-label={`Pain: stop today, ${name}`}
      title="Pain: stop today"
      onClick={onPress}
    >
      Pain
    </button>
  );
}
