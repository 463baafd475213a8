import js from "@eslint/js";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["**/dist/", ".cache/", ".mirrup/", "test-results/", "playwright-report/"] },
  js.configs.recommended,
  {
    files: ["**/*.ts", "**/*.tsx"],
    extends: [tseslint.configs.strictTypeChecked, tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: ["packages/*/tsconfig.json", "apps/*/tsconfig.json", "tsconfig.tests.json"],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      "@typescript-eslint/switch-exhaustiveness-check": [
        "error",
        { considerDefaultExhaustiveForUnions: true },
      ],
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      "@typescript-eslint/no-confusing-void-expression": ["error", { ignoreArrowShorthand: true }],
      // Entities are records with decorators; TypeORM takes any object of their shape.
      "@typescript-eslint/no-unsafe-class-instance-assignment": "off",
      // Nest's modules are classes that hold nothing but their decorator.
      "@typescript-eslint/no-extraneous-class": ["error", { allowWithDecorator: true }],
      "@typescript-eslint/no-misused-spread": [
        "error",
        // Entities are plain records.
        { allow: ["string", { from: "file", name: ["StudentEntity", "StudioEntity"] }] },
      ],
      // What is named beside a rest is left out of it.
      "@typescript-eslint/no-unused-vars": ["error", { ignoreRestSiblings: true }],
    },
  },
  {
    files: ["apps/web/**/*.ts", "apps/web/**/*.tsx"],
    extends: [reactHooks.configs.flat.recommended],
  },
  {
    files: ["apps/web/src/**/*.ts", "apps/web/src/**/*.tsx"],
    ignores: ["**/*.spec.ts", "**/*.spec.tsx"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: "CallExpression[callee.property.name='slice'][arguments.0.value=0][arguments.1.value=10]",
          message: "The day that an instant's text begins with is UTC's. Use ownDay, or localDate.",
        },
      ],
    },
  },
  {
    // What is not there is no nought: a place outside a table throws, a count is a tally, the rest says what it means.
    files: ["packages/core/src/**/*.ts"],
    ignores: ["**/*.spec.ts"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector:
            "LogicalExpression[operator='??'] > :matches(Literal[value=0], UnaryExpression[operator='-'][argument.value=1]).right",
          message: "Use cellOf, a Tally, or say what nothing means.",
        },
        {
          selector:
            "BinaryExpression > UnaryExpression[operator='-'][argument.value=1].right[parent.operator=/^[!=]/]",
          message: "Ask with some or includes instead of for -1.",
        },
      ],
    },
  },
  {
    // The cohort is placement's and the learner model's truth, and must not share their beliefs. Whoever is
    // coached by it asks for proposals as an instructor would.
    files: ["packages/cohort/src/**/*.ts"],
    ignores: ["**/*.spec.ts", "packages/cohort/src/coached/**"],
    rules: {
      "no-restricted-imports": ["error", { paths: ["@mirrup/core/teaching", "@mirrup/core/planning"] }],
    },
  },
  {
    // Playwright's fixtures name what they take, and some take nothing.
    files: ["e2e/**"],
    rules: { "no-empty-pattern": "off" },
  },
  {
    // What a browser runs as it is: a service worker.
    files: ["apps/web/public/*.js"],
    languageOptions: {
      globals: {
        self: "readonly",
        caches: "readonly",
        URL: "readonly",
        fetch: "readonly",
        AbortSignal: "readonly",
        Response: "readonly",
      },
    },
  },
  {
    files: ["**/*.mjs", "**/*.cjs", "*.js"],
    languageOptions: {
      globals: {
        console: "readonly",
        process: "readonly",
        URL: "readonly",
        fetch: "readonly",
        document: "readonly",
        MutationObserver: "readonly",
        requestAnimationFrame: "readonly",
        performance: "readonly",
        setTimeout: "readonly",
        clearTimeout: "readonly",
        module: "writable",
        __dirname: "readonly",
      },
    },
  },
);
