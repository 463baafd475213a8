/** Combos and their links as subjects of the log. */
const SUBJECT = /^combo:([0-9a-f-]{36})(?:#link(\d{1,3}))?$/;

export interface ComboSubject {
  readonly id: string;
  /** The link, by the place of the part after it; null for the combo as a whole. */
  readonly link: number | null;
}

export function comboKey(id: string): string {
  return `combo:${id}`;
}

export function linkKey(id: string, link: number): string {
  return `combo:${id}#link${link}`;
}

/** What a subject of the log says of a combo; null for a skill. */
export function comboSubject(subject: string): ComboSubject | null {
  const [, id, link] = SUBJECT.exec(subject) ?? [];
  return id === undefined ? null : { id, link: link === undefined ? null : Number(link) };
}
