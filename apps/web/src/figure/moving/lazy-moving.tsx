import { Suspense, type ComponentProps } from "react";
import { loadedOr } from "./loaded-or.js";

const load = () => import("./moving-picture.js");
const Loaded = loadedOr(async () => (await load()).MovingPicture);

/** A trick as it is jumped, small, on a page that loads little else. */
export function MovingPicture(props: ComponentProps<typeof Loaded>) {
  return (
    <Suspense fallback={null}>
      <Loaded {...props} />
    </Suspense>
  );
}

/** Has what draws it fetched, so that it is there without a network. */
export async function fetchMovingPicture(): Promise<void> {
  await load();
}
