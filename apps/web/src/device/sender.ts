/** Who counts on this device, and for which studio: what waits here belongs to them and to nobody else. */
export interface Sender {
  readonly personId: string;
  readonly studioId: string;
}

const KEPT = "mirrup-sender";

export function isSender(value: unknown): value is Sender {
  return typeof value === "object" && value !== null && "personId" in value && "studioId" in value;
}

function kept(): Sender | null {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(KEPT) ?? "null");
    return isSender(value) ? value : null;
  } catch {
    return null;
  }
}

let current: Sender | null = null;
const listeners = new Set<() => void>();

/** The sender; the last one known while the server does not say who is signed in. */
export function currentSender(): Sender | null {
  current ??= kept();
  return current;
}

export function setSender(sender: Sender): void {
  if (current?.personId === sender.personId && current.studioId === sender.studioId) return;
  current = sender;
  try {
    localStorage.setItem(KEPT, JSON.stringify(sender));
  } catch {
    // A browser that keeps nothing still sends while the page is open.
  }
  listeners.forEach((listener) => listener());
}

export function onSenderChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function isOf(sender: Sender | null, other: Sender): boolean {
  return sender !== null && sender.personId === other.personId && sender.studioId === other.studioId;
}
