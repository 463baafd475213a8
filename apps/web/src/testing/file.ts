/** A file that somebody chooses, of these lines; what a browser's files have, those of the tests have not. */
export function textFile(...lines: readonly string[]): File {
  const text = lines.join("\n");
  const { buffer } = new TextEncoder().encode(text);
  const file = new File([text], "file.csv", { type: "text/csv" });
  return Object.assign(file, { arrayBuffer: () => Promise.resolve(buffer) });
}

/** Where a page takes a file: a button, and what the browser fills stands hidden beside it. */
export function fileField(): HTMLInputElement {
  const field = document.querySelector<HTMLInputElement>('input[type="file"]');
  if (field === null) throw new Error("This page takes no file.");
  return field;
}
