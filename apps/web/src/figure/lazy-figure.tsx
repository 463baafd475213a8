import { Skeleton } from "@mantine/core";
import { lazy, Suspense, type ComponentProps } from "react";

const LoadedFigure = lazy(async () => ({ default: (await import("./figure.js")).Figure }));
const LoadedStill = lazy(async () => ({ default: (await import("./telling-still.js")).TellingStill }));
const LoadedStrip = lazy(async () => ({ default: (await import("./strip.js")).Strip }));

/** A trick as it is jumped. What draws it is loaded where it is shown, and nowhere else. */
export function Figure(props: ComponentProps<typeof LoadedFigure>) {
  return (
    <Suspense fallback={<Skeleton height={418} mb="sm" />}>
      <LoadedFigure {...props} />
    </Suspense>
  );
}

/** The moments of a trick as pictures with their words. */
export function Strip(props: ComponentProps<typeof LoadedStrip>) {
  return (
    <Suspense fallback={<Skeleton height={190} />}>
      <LoadedStrip {...props} />
    </Suspense>
  );
}

/** The moment that tells most of a trick, still. */
export function TellingStill(props: ComponentProps<typeof LoadedStill>) {
  return (
    <Suspense fallback={null}>
      <LoadedStill {...props} />
    </Suspense>
  );
}
