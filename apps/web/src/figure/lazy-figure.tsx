import { Skeleton, Text } from "@mantine/core";
import { Suspense, type ComponentProps } from "react";
import { loadedOr } from "./moving/loaded-or.js";

function NoFigure() {
  return (
    <Text size="sm" mb="sm">
      The figure cannot be loaded just now. The braid says the same; load the page anew for the figure.
    </Text>
  );
}

const LoadedFigure = loadedOr(() => import("./figure.js").then(({ Figure: own }) => own), NoFigure);
const LoadedStrip = loadedOr(() => import("./strip.js").then(({ Strip: own }) => own));
const LoadedStill = loadedOr(() => import("./telling-still.js").then(({ TellingStill: own }) => own));

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
    <Suspense fallback={props.bare === true ? null : <Skeleton height={190} />}>
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
