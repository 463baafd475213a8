/**
 * Which way imports point: core ← catalogue ← contract ← server and web; the features of one app
 * meet only through each other's index.ts.
 */
const only = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from },
  to: { path: "^(packages|apps|e2e)/", pathNot: allowed },
});

/** The rooms of the core in the order in which they stand; each may use those before it. */
const ROOMS = ["rope", "syllabus", "log", "record", "next", "floor"];
/** What stands beside them: each on all of the rooms, and on what is named. */
const BESIDE = { placement: [], combos: ["rhythm"], rhythm: [], plan: ["combos"], figure: ["rhythm"] };

/** What the files of the core that stand in no room are for: everybody. */
const COMMON = "[^/]+\\.ts$";

const room = (name, before) => ({
  name: `core-${name}-stands-on-${before.at(-1) ?? "nothing"}`,
  severity: "error",
  from: { path: `^packages/core/src/${name}/`, pathNot: "\\.spec\\.tsx?$" },
  to: {
    path: "^packages/core/src/",
    pathNot: `^packages/core/src/((${[name, ...before].join("|")})/|${COMMON})`,
  },
});

module.exports = {
  forbidden: [
    ...ROOMS.map((name, place) => room(name, ROOMS.slice(0, place))),
    ...Object.entries(BESIDE).map(([name, more]) => room(name, [...ROOMS, ...more])),
    only("core-imports-nothing", "^packages/core/", "^packages/core/"),
    only("catalogue-imports-core", "^packages/catalogue/", "^packages/(core|catalogue)/"),
    only("cohort-imports-core", "^packages/cohort/src/(?!.*\\.spec\\.tsx?$)", "^packages/(core|cohort)/"),
    only("contract-imports-catalogue", "^packages/contract/", "^packages/(core|catalogue|contract)/"),
    only("server-imports-packages", "^apps/server/", "^(packages|apps/server)/"),
    only("web-imports-packages", "^apps/web/", "^(packages|apps/web)/"),
    {
      name: "features-meet-through-their-index",
      comment: "Import another feature's index.ts or its entities, not its insides.",
      severity: "error",
      // The schema is made of every feature's entities, and stands below them all.
      from: { path: "^apps/(server|web)/src/([^/]+)/", pathNot: "\\.spec\\.tsx?$|/testing/|/src/database/" },
      to: {
        path: "^apps/$1/src/[^/]+/",
        pathNot: [
          "^apps/$1/src/$2/",
          "/index\\.ts$",
          // What every feature stands on, and belongs to none.
          "^apps/server/src/(database|problems|config|access)/",
          // A feature's entities are its part of the schema, which others may refer to.
          "\\.entity\\.ts$",
          "^apps/web/src/app/",
        ],
      },
    },
    {
      name: "no-cycles",
      severity: "error",
      from: { pathNot: "node_modules" },
      to: { circular: true },
    },
    {
      name: "no-phantom-dependencies",
      severity: "error",
      from: { path: "^(packages|apps)/", pathNot: "\\.spec\\.tsx?$|/testing/|vite\\.config" },
      to: { dependencyTypes: ["npm-no-pkg", "npm-unknown", "npm-dev"] },
    },
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^packages/core/src/", pathNot: "\\.spec\\.tsx?$" },
      to: { dependencyTypes: ["core", "npm"] },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(^|/)dist/" },
    tsConfig: { fileName: "tsconfig.tests.json" },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      conditionNames: ["source", "import", "node", "default"],
      exportsFields: ["exports"],
    },
  },
};
