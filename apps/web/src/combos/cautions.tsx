import { CAUTIONS } from "@mirrup/catalogue";
import { cautionsOf, type Score } from "@mirrup/core";
import classes from "./combo.module.css";

/** What to mind with these moves. */
export function Cautions({ score }: { readonly score: Score }) {
  return cautionsOf(score).map((code) => (
    <p key={code} className={classes.caution}>
      {CAUTIONS[code]}
    </p>
  ));
}
