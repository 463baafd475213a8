export { makeBackup } from "./backup.js";
export { backupName } from "./backup-name.js";
export { removeDemo } from "./demo.js";
export { examine } from "./doctor.js";
export { makeOwner } from "./owner.js";
export { KeepingRefusal } from "./refusal.js";
export { checkBackup, restoreBackup } from "./restore.js";
