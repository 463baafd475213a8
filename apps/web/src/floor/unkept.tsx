import classes from "./floor.module.css";

/** Where the device refuses to keep what is tapped: what to do, so that nothing is lost. */
export function Unkept({ is }: { readonly is: boolean }) {
  if (!is) return null;
  return (
    <p className={classes.note} role="alert">
      This browser refuses to keep the taps. Leave the page open, free some space or allow storage, and finish
      again.
    </p>
  );
}
