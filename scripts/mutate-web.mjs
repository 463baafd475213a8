/**
 * Breaks lines of the web in a copy, one at a time, and asks its tests (those that need no browser): a condition turned
 * around, a handler that does nothing, a key that is another, a text that is gone. `node scripts/mutate-web.mjs
 * [HOW-MANY] [SEED] [FOLDER]`; prints the share that was caught, and what was not.
 */
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import ts from "typescript";
import { ROOT } from "./lib/install.mjs";
import { run } from "./lib/processes.mjs";
import { main, Stop } from "./lib/stop.mjs";

const COPY = join(ROOT, ".cache/mutants-web");
const SOURCES = join(ROOT, "apps/web/src");

/** What a condition's sign becomes. */
const TURNED = {
  "===": "!==",
  "!==": "===",
  "&&": "||",
  "||": "&&",
  "<": ">=",
  ">": "<=",
  "<=": ">",
  ">=": "<",
  "+": "-",
  "-": "+",
};

/** All that can be broken in a file: where, and what is put there. */
function breaksOf(file) {
  const text = readFileSync(file, "utf8");
  const kind = file.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, kind);
  const found = [];
  const put = (of, node, words) => found.push({ of, file, from: node.getStart(), to: node.getEnd(), words });
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isBinaryExpression(node)) {
      const sign = node.operatorToken.getText();
      // Texts are put together with +, and lists with &&: only conditions are turned around.
      if (sign in TURNED && !ts.isStringLiteral(node.right))
        put("condition", node.operatorToken, TURNED[sign]);
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put("condition", node, node.operand.getText());
    if (ts.isJsxAttribute(node) && /^on[A-Z]/.test(node.name.getText()) && node.initializer !== undefined)
      put("handler", node.initializer, "{() => undefined}");
    if (ts.isJsxText(node) && /[a-z]{3}/.test(node.text)) put("text", node, "…");
    if (ts.isNoSubstitutionTemplateLiteral(node) || ts.isStringLiteral(node)) {
      if (ts.isArrayLiteralExpression(node.parent) && /^[A-Z/+?]$|^(Enter|Space|Escape)$/.test(node.text))
        put("key", node, '"F9"');
      else if (/[a-z]{2} [a-z]{2}/.test(node.text) && !ts.isJsxAttribute(node.parent))
        put("text", node, '"…"');
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Numbers from 0 to 1 that a seed gives, the same each time. */
function drawsOf(seed) {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

function copyWeb() {
  rmSync(COPY, { recursive: true, force: true });
  mkdirSync(COPY, { recursive: true });
  cpSync(SOURCES, join(COPY, "src"), { recursive: true });
  symlinkSync(join(ROOT, "node_modules"), join(COPY, "node_modules"));
  const config = `const { projects } = require(${JSON.stringify(join(ROOT, "jest.config.cjs"))});
const own = projects.filter(({ displayName }) => ["web", "pages"].includes(displayName));
module.exports = { projects: own.map((one) => ({ ...one, rootDir: __dirname })), testTimeout: 60_000 };
`;
  writeFileSync(join(COPY, "jest.config.cjs"), config);
  writeFileSync(join(COPY, "package.json"), '{ "type": "module" }\n');
}

async function fails(file) {
  const jest = join(ROOT, "node_modules/jest/bin/jest.js");
  const args = ["--config", join(COPY, "jest.config.cjs"), "--bail", "--silent", "--passWithNoTests"];
  return (
    (await run(process.execPath, [jest, ...args, "--findRelatedTests", file], {
      cwd: COPY,
      stdio: "ignore",
    })) !== 0
  );
}

export async function mutateWeb(many = 60, seed = 1, folder = "") {
  const files = readdirSync(SOURCES, { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name) && !/\.spec\.|\.worker\.|^testing\/|^main\.|^routes\./.test(name))
    .filter((name) => name.startsWith(folder))
    .sort();
  const all = files.flatMap((name) => breaksOf(join(SOURCES, name)));
  const draw = drawsOf(seed);
  const chosen = Array.from({ length: Math.min(many, all.length) }, () =>
    all.splice(Math.floor(draw() * all.length), 1).at(0),
  );
  copyWeb();
  const missed = [];
  for (const { of, file, from, to, words } of chosen) {
    const name = relative(SOURCES, file);
    const copy = join(COPY, "src", name);
    const text = readFileSync(copy, "utf8");
    const was = text.slice(from, to).trim().replaceAll(/\s+/g, " ").slice(0, 70);
    const line = text.slice(0, from).split("\n").length;
    writeFileSync(copy, text.slice(0, from) + words + text.slice(to));
    const caught = await fails(copy);
    writeFileSync(copy, text);
    const told = `${name}:${line} ${of}: ${was}`;
    if (!caught) missed.push(told);
    console.log(`${caught ? "caught" : "MISSED"}  ${told}`);
  }
  rmSync(COPY, { recursive: true, force: true });
  const share = chosen.length === 0 ? 1 : 1 - missed.length / chosen.length;
  console.log(`broken lines caught: ${(100 * share).toFixed(0)} % of ${chosen.length}, seed ${seed}`);
  return share;
}

if (process.argv[1] === new URL(import.meta.url).pathname)
  await main(async () => {
    const [many = "60", seed = "1", folder = ""] = process.argv.slice(2);
    if (!Number.isInteger(Number(many)) || !Number.isInteger(Number(seed)))
      throw new Stop("Say how many lines, from which seed, and in which folder: 60 1 floor/");
    await mutateWeb(Number(many), Number(seed), folder);
  });
