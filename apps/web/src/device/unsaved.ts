/**
 * What is typed and not saved yet, kept for this tab: a page that is loaded anew, or a browser that drops it to save
 * memory, loses none of it. Only whoever typed it finds it again, and a sign-out takes it away.
 */
const PREFIX = "mirrup-unsaved ";

type Store = Pick<Storage, "getItem" | "setItem" | "removeItem" | "key" | "length">;

interface Kept {
  readonly personId: string;
  readonly value: unknown;
}

const keyOf = (name: string) => `${PREFIX}${name}`;

/** Whether a value has the parts of another, and lists where that has lists: what an older build kept may not. */
function isLike<T>(value: unknown, example: T): value is T {
  if (Array.isArray(example)) return Array.isArray(value);
  if (typeof example !== "object" || example === null) return typeof value === typeof example;
  if (typeof value !== "object" || value === null) return false;
  return Object.entries(example).every(
    ([part, own]) => part in value && Array.isArray(Reflect.get(value, part)) === Array.isArray(own),
  );
}

/** What somebody typed under a name and did not save; null for nothing, or nothing of that kind. */
export function unsavedOf<T>(name: string, personId: string, example: T, store: Store): T | null {
  try {
    const found = Object(JSON.parse(store.getItem(keyOf(name)) ?? "null")) as Partial<Kept>;
    return found.personId === personId && isLike(found.value, example) ? found.value : null;
  } catch {
    return null;
  }
}

export function keepUnsaved(name: string, personId: string, value: unknown, store: Store): void {
  try {
    store.setItem(keyOf(name), JSON.stringify({ personId, value } satisfies Kept));
  } catch {
    // A browser that keeps nothing has what is on the screen.
  }
}

export function dropUnsaved(name: string, store: Store): void {
  store.removeItem(keyOf(name));
}

/** At a sign-out. */
export function dropAllUnsaved(store: Store): void {
  const keys = Array.from({ length: store.length }, (_, place) => store.key(place));
  for (const key of keys) if (key?.startsWith(PREFIX) === true) store.removeItem(key);
}
