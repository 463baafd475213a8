/** A reason to end with exit code 1, as a sentence that says what to do. Nothing else is printed for it. */
export class Stop extends Error {}

/** Runs a script's main function; a `Stop` prints its sentence, anything else its stack. */
export async function main(work) {
  try {
    await work();
  } catch (error) {
    console.error(error instanceof Stop ? `\n${error.message}\n` : error);
    process.exitCode = 1;
  }
}
