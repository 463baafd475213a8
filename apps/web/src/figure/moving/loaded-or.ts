import { lazy, type ComponentType, type LazyExoticComponent } from "react";

function Nothing() {
  return null;
}

/**
 * A part of a page that is loaded where it is shown. Where it cannot be (no network, or a newer version is installed and
 * its file is gone), the page goes on without it.
 */
export function loadedOr<P>(
  load: () => Promise<ComponentType<P>>,
  otherwise: ComponentType = Nothing,
): LazyExoticComponent<ComponentType<P>> {
  return lazy(async () => ({
    default: await load().catch((): ComponentType<P> => otherwise as ComponentType<P>),
  }));
}
