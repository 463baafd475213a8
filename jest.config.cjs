// Far from UTC, and half an hour off: whoever takes the day of an instant's text for the hall's is found out every
// evening.
process.env.TZ = "America/St_Johns";

const swc = {
  jsc: {
    parser: { syntax: "typescript", decorators: true },
    transform: { legacyDecorator: true, decoratorMetadata: true },
    target: "es2023",
    keepClassNames: true,
  },
  module: { type: "commonjs" },
};

/** The packages that ship only ES modules and are loaded by the server's tests. */
const ESM =
  "@nestjs|es-toolkit|@tokenizer|file-type|strtok3|token-types|uint8array-extras|@borewit|iterare|uuid";

const project = (displayName, dir) => ({
  displayName,
  rootDir: `${__dirname}/${dir}`,
  testMatch: ["<rootDir>/src/**/*.spec.ts"],
  testEnvironment: "node",
  setupFiles: [`${__dirname}/jest.seed.cjs`],
  transform: {
    "node_modules/.*\\.js$": ["@swc/jest", { ...swc, isModule: "unknown" }],
    "\\.[tj]sx?$": ["@swc/jest", swc],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${ESM})/)`],
  moduleNameMapper: {
    "^@mirrup/core/combos$": `${__dirname}/packages/core/src/composing.ts`,
    "^@mirrup/core/figure$": `${__dirname}/packages/core/src/figure/index.ts`,
    "^@mirrup/core/(planning|teaching)$": `${__dirname}/packages/core/src/$1.ts`,
    "^@mirrup/contract/schemas$": `${__dirname}/packages/contract/src/schemas.ts`,
    "^@mirrup/(core|catalogue|cohort|contract)$": `${__dirname}/packages/$1/src/index.ts`,
    "^(\\.{1,2}/.*)\\.js$": "$1",
  },
});

/** The pages, drawn without a browser: what they show, say and send, of each state that they can be in. */
const pages = {
  ...project("pages", "apps/web"),
  testMatch: ["<rootDir>/src/**/*.spec.tsx"],
  testEnvironment: "jsdom",
  setupFiles: [`${__dirname}/jest.seed.cjs`, `${__dirname}/jest.dom.cjs`],
  transform: {
    "node_modules/.*\\.js$": ["@swc/jest", { ...swc, isModule: "unknown" }],
    "\\.[tj]sx?$": [
      `${__dirname}/jest.bundled.cjs`,
      {
        ...swc,
        jsc: {
          ...swc.jsc,
          parser: { syntax: "typescript", tsx: true },
          transform: { react: { runtime: "automatic" } },
        },
      },
    ],
  },
};
pages.moduleNameMapper = {
  "\\.css$": `${__dirname}/jest.css.cjs`,
  "\\.mp3$": `${__dirname}/jest.address.cjs`,
  ...pages.moduleNameMapper,
};

module.exports = {
  // A machine that does much else takes several times as long; what hangs is told all the same.
  testTimeout: 30_000,
  projects: [
    project("core", "packages/core"),
    project("catalogue", "packages/catalogue"),
    project("cohort", "packages/cohort"),
    project("contract", "packages/contract"),
    project("web", "apps/web"),
    pages,
    project("server", "apps/server"),
  ],
};
