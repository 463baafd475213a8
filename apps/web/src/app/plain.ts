/** A name as it is searched for: whatever its accents, capitals, hyphens and the room around it. */
export function plain(text: string): string {
  return text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase().replaceAll("-", " ").trim();
}

/** A name as it is told from another's: capitals and room make no difference, accents do. */
export function plainName(name: string): string {
  return name.normalize("NFC").trim().replace(/\s+/g, " ").toLocaleLowerCase();
}
