import type { Announcements, UniqueIdentifier } from "@dnd-kit/core";

/** What a screen reader says while something is dragged; `nameOf` names what is dragged and where it is. */
export function dragAnnouncements(nameOf: (id: string) => string): Announcements {
  const name = (id: UniqueIdentifier) => nameOf(String(id));
  return {
    onDragStart: ({ active }) => `${name(active.id)} is taken up.`,
    onDragOver: ({ active, over }) =>
      over === null ? `${name(active.id)} is over nothing.` : `${name(active.id)} is at ${name(over.id)}.`,
    onDragEnd: ({ active, over }) =>
      over === null
        ? `${name(active.id)} is put back.`
        : `${name(active.id)} is put down at ${name(over.id)}.`,
    onDragCancel: ({ active }) => `${name(active.id)} is put back.`,
  };
}
