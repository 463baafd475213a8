import { useSyncExternalStore } from "react";
import { currentSender, onSenderChange } from "./sender.js";

const personId = () => currentSender()?.personId ?? "";

/** Who counts here; on a new device nobody for the first moment, and then whoever is signed in. */
export function usePersonId(): string {
  return useSyncExternalStore(onSenderChange, personId);
}
