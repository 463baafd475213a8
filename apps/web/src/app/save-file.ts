/** A tablet's browser may begin to read the file only once somebody has said where it goes. */
const KEPT_MS = 60_000;

/** Offers a file for download. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer> | Blob, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), KEPT_MS);
}
