import type { ExecutionContext, INestApplication } from "@nestjs/common";
import { DiscoveryService, MetadataScanner, type Reflector } from "@nestjs/core";
import { ROUTE, type Route } from "./route.js";

type Handler = (...parameters: readonly unknown[]) => unknown;

/** Under which Nest keeps a handler's address. */
const ADDRESS = "path";

/** What a handler declares. Throws where it declares nothing. */
export function routeOf(reflector: Reflector, context: ExecutionContext): Route {
  const handler = context.getHandler();
  const route = reflector.get<Route | undefined>(ROUTE, handler);
  if (route === undefined) throw new Error(`${handler.name} does not say what it is.`);
  return route;
}

export interface Declared {
  readonly id: string;
  /** The address behind the prefix of all, as `/lessons/:id`. */
  readonly path: string;
  readonly route: Route;
}

const addressOf = (of: object): string => String(Reflect.getMetadata(ADDRESS, of) ?? "");

/** What every route declares, by `Controller.method`. Throws, naming them, where some declare nothing. */
export function declaredRoutes(app: INestApplication): readonly Declared[] {
  const scanner = new MetadataScanner();
  const handlers = app
    .get(DiscoveryService)
    .getControllers()
    .flatMap(({ metatype }) => {
      if (typeof metatype !== "function") return [];
      const prototype = Reflect.get(metatype, "prototype") as Readonly<Record<string, Handler>>;
      return scanner.getAllMethodNames(prototype).flatMap((name) => {
        const handler = prototype[name];
        if (handler === undefined || !Reflect.hasMetadata(ADDRESS, handler)) return [];
        const path = [addressOf(metatype), addressOf(handler)].filter((part) => part !== "" && part !== "/");
        const id = `${metatype.name.replace(/Controller$/, "")}.${name}`;
        return [{ id, path: `/${path.join("/")}`, handler }];
      });
    });
  const silent = handlers.filter(({ handler }) => !Reflect.hasMetadata(ROUTE, handler));
  if (silent.length > 0)
    throw new Error(`These do not say what they are: ${silent.map(({ id }) => id).join(", ")}.`);
  return handlers.map(({ handler, ...rest }) => ({
    ...rest,
    route: Reflect.getMetadata(ROUTE, handler) as Route,
  }));
}
