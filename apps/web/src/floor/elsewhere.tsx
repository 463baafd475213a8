import classes from "./floor.module.css";

/** Instead of the controls, where another tab counts this set. */
export function Elsewhere({ onTakeOver }: { readonly onTakeOver: () => void }) {
  return (
    <div className={classes.side} role="alert">
      <div className={classes.why}>This set is being counted in another tab.</div>
      <button type="button" className={classes.small} onClick={onTakeOver}>
        Count here
      </button>
    </div>
  );
}
