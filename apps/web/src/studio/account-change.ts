import type { AccountChange, PersonView } from "@mirrup/contract";

interface Typed {
  readonly name: string;
  readonly email: string;
  /** The present password. */
  readonly current: string;
}

/** What of one's account was typed otherwise than it is: nothing for nothing. A new e-mail goes with the password. */
export function changeOf(person: PersonView, { name, email, current }: Typed): AccountChange {
  return {
    ...(name.trim() === person.name ? {} : { name: name.trim() }),
    ...(email.trim().toLowerCase() === person.email ? {} : { email: email.trim(), current }),
  };
}
