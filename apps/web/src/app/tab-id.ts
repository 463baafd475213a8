import { v7 as uuid } from "uuid";

const KEY = "mirrup-tab";

function known(): string | null {
  try {
    return sessionStorage.getItem(KEY);
  } catch {
    return null;
  }
}

function made(): string {
  const id = uuid();
  try {
    sessionStorage.setItem(KEY, id);
  } catch {
    // A browser that keeps nothing is another one after each reload.
  }
  return id;
}

/** This tab, as it names itself to the server; unlike the page it is the same after a reload. */
export const TAB_ID = known() ?? made();
