import classes from "./page.module.css";

/** Opened without a link, on a phone that has opened none. */
export function NoLink() {
  return (
    <main className={classes.page}>
      <h1>No link here</h1>
      <p>Open the link that your instructor gave you, or read its square with the camera.</p>
    </main>
  );
}
