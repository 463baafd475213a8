/** What a backup's file is called where nobody says. */
export const BACKUP_ENDING = ".mirrup-backup";

export function backupName(now: Date, why = ""): string {
  const at = now.toISOString().slice(0, 19).replaceAll(":", "-");
  return `${at}${why === "" ? "" : `-${why}`}${BACKUP_ENDING}`;
}
