import classes from "./deck.module.css";
import floorClasses from "./floor.module.css";

/** Instead of the controls, where another tab counts this set. */
export function Elsewhere({ onTakeOver }: { readonly onTakeOver: () => void }) {
  return (
    <div className={classes.elsewhere} role="alert">
      <div>This set is being counted in another tab.</div>
      <button type="button" className={floorClasses.small} onClick={onTakeOver}>
        Count here
      </button>
    </div>
  );
}
