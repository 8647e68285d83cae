// npm run mutants: a seeded sample of mutants of core, at least 30 of each room, against its tests. Prints what
// neither a test nor the compiler refused, by room, and fails above 15 of 100. KRAVO_SEED and KRAVO_MUTANTS draw
// another sample.
import { spawnSync } from "node:child_process";
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { Instrumenter } from "@stryker-mutator/instrumenter";
import ts from "typescript";
import { ensureNode, ensurePackages, ensureState, ROOT } from "./ensure.mjs";

ensureNode();
ensureState();
ensurePackages();
process.chdir(ROOT);

const SEED = Number(process.env.KRAVO_SEED ?? 1);
/** So many are drawn that some 400 count, at least 30 of each room: what runs once while modules load does not. */
const MANY = Number(process.env.KRAVO_MUTANTS ?? 580);
const LEAST = Math.min(48, Math.floor(MANY / 9));
/** Above this many of a hundred survivors the run fails. */
const MOST_SURVIVORS = 15;
/** What the compiler refuses already, or what only moves text about. */
const EXCLUDED = ["StringLiteral", "ObjectLiteral", "ArrowFunction", "Regex", "BlockStatement"];

/** The same numbers from 0 to 1 for the same seed. */
function drawer(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

function shuffled(items, draw) {
  const all = [...items];
  for (let i = all.length - 1; i > 0; i -= 1) {
    const j = Math.floor(draw() * (i + 1));
    [all[i], all[j]] = [all[j], all[i]];
  }
  return all;
}

/** The sources of core, without tests, indexes and the built-in exercises, which are data. */
const sources = readdirSync("core", { recursive: true })
  .map((path) => join("core", path))
  .filter((path) => path.endsWith(".ts") && !/\.test\.ts$|index\.ts$|\/shipped\//.test(path))
  .toSorted();

const silent = Object.fromEntries(
  ["trace", "debug", "info", "warn", "error", "fatal"].flatMap((level) => [
    [level, () => undefined],
    [`is${level[0].toUpperCase()}${level.slice(1)}Enabled`, () => false],
  ]),
);
const instrumented = await new Instrumenter(silent).instrument(
  sources.map((name) => ({ name, content: readFileSync(name, "utf8"), mutate: true })),
  { plugins: null, excludedMutations: EXCLUDED, ignorers: [] },
);
const roomOf = (file) => relative("core", relative(ROOT, join(ROOT, file))).split("/")[0];
const draw = drawer(SEED);
const roomNames = [...new Set(sources.map(roomOf))].toSorted();

/** True where one mutant lies within another, or at the same place. */
function isWithin(inner, outer) {
  if (inner.fileName !== outer.fileName) return false;
  const [a, b] = [inner.location, outer.location];
  const isBefore = (x, y) => x.line < y.line || (x.line === y.line && x.column <= y.column);
  return isBefore(b.start, a.start) && isBefore(a.end, b.end);
}

/** Places drawn from some mutants until they hold as many as asked for; a place holds all mutants within it. */
function drawn(mutants, many) {
  const held = new Set();
  const places = [];
  for (const place of shuffled(mutants, draw)) {
    if (held.size >= many) break;
    if (held.has(place)) continue;
    places.push(place);
    for (const mutant of mutants) if (isWithin(mutant, place)) held.add(mutant);
  }
  return { places, held };
}

const perRoom = roomNames.map((room) =>
  drawn(
    instrumented.mutants.filter(({ fileName }) => roomOf(fileName) === room),
    LEAST,
  ),
);
const taken = new Set(perRoom.flatMap(({ held }) => [...held]));
const rest = drawn(
  instrumented.mutants.filter((mutant) => !taken.has(mutant)),
  MANY - taken.size,
);
/** Lines count from 0 in mutants, and from 1 in what is asked for. */
const asked = [...perRoom, rest].flatMap(({ places }) =>
  places.map(
    ({ fileName, location: { start, end } }) =>
      `${fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`,
  ),
);

mkdirSync(".kravo/mutants", { recursive: true });
writeFileSync(
  ".kravo/mutants/stryker.json",
  JSON.stringify({
    testRunner: "vitest",
    vitest: { configFile: "vitest.mutants.config.ts", related: true },
    plugins: ["@stryker-mutator/vitest-runner"],
    mutate: asked,
    mutator: { excludedMutations: EXCLUDED },
    coverageAnalysis: "perTest",
    // What runs once, while modules load, cannot be told to a test.
    ignoreStatic: true,
    concurrency: 2,
    timeoutMS: 20000,
    tempDirName: ".kravo/mutants/tmp",
    ignorePatterns: ["build", ".kravo", "test-results", "playwright-report"],
    reporters: ["json", "progress-append-only"],
    jsonReporter: { fileName: ".kravo/mutants/report.json" },
    allowConsoleColors: false,
    disableTypeChecks: false,
  }),
);
const run = spawnSync("node_modules/.bin/stryker", ["run", ".kravo/mutants/stryker.json"], {
  stdio: "inherit",
});
if (run.status !== 0) process.exit(run.status ?? 1);

/** Survivors that change nothing anybody could see, each with the reason. */
const equivalent = new Map(
  JSON.parse(readFileSync("tests/equivalent-mutants.json", "utf8")).map((e) => [
    [e.file, e.was, e.becomes].join(" | "),
    e.why,
  ]),
);
const report = JSON.parse(readFileSync(".kravo/mutants/report.json", "utf8"));
const results = Object.entries(report.files).flatMap(([file, { source, mutants }]) =>
  mutants.map((mutant) => ({
    file,
    room: roomOf(file),
    was: textAt(source, mutant.location),
    ...mutant,
  })),
);
function textAt(source, { start, end }) {
  const lines = source.split("\n").slice(start.line - 1, end.line);
  lines[lines.length - 1] = lines.at(-1).slice(0, end.column - 1);
  lines[0] = lines[0].slice(start.column - 1);
  return lines.join("\n").replace(/\s+/g, " ");
}
const KILLED = ["Killed", "Timeout"];
const COUNTED = [...KILLED, "Survived", "NoCoverage"];
const { refused } = compiler();
const drawnUp = results.filter(({ status }) => COUNTED.includes(status));
/** What no test noticed and the compiler refuses, mostly a guard that narrows a type: it could never run. */
const isRefused = (mutant) => !KILLED.includes(mutant.status) && refused(mutant);
const counted = drawnUp.filter((mutant) => !isRefused(mutant));
const survived = counted.filter(({ status }) => !KILLED.includes(status));
const left = survived.filter(
  ({ file, was, replacement }) => !equivalent.has([file, was, replacement].join(" | ")),
);

/** Says of a mutant whether core compiles with it. */
function compiler() {
  const { config } = ts.readConfigFile("core/tsconfig.json", ts.sys.readFile);
  const { fileNames, options } = ts.parseJsonConfigFileContent(config, ts.sys, "core");
  const changed = new Map();
  const service = ts.createLanguageService({
    ...ts.sys,
    useCaseSensitiveFileNames: () => ts.sys.useCaseSensitiveFileNames,
    getScriptFileNames: () => fileNames,
    getScriptVersion: (file) => String(changed.get(file)?.version ?? 0),
    getScriptSnapshot: (file) => {
      const text = changed.get(file)?.text ?? ts.sys.readFile(file);
      return text === undefined ? undefined : ts.ScriptSnapshot.fromString(text);
    },
    getCurrentDirectory: () => ROOT,
    getCompilationSettings: () => options,
    getDefaultLibFileName: ts.getDefaultLibFilePath,
  });
  let version = 0;
  const put = (file, text) => changed.set(file, { text, version: (version += 1) });
  const sourceOf = (file) => report.files[file].source;
  return {
    refused({ file, location: { start, end }, replacement }) {
      const path = join(ROOT, file);
      const source = sourceOf(file);
      const at = ({ line, column }) =>
        source.split("\n", line - 1).reduce((sum, l) => sum + l.length + 1, 0) + column - 1;
      const text = replacement.endsWith(":") ? replacement : `(${replacement})`;
      put(path, source.slice(0, at(start)) + text + source.slice(at(end)));
      const found = service.getSemanticDiagnostics(path).length > 0;
      put(path, source);
      return found;
    },
  };
}
for (const { file, location, was, replacement, status } of left) {
  console.log(`${file}:${location.start.line}  ${was}  →  ${replacement}  (${status})`);
}
console.log("\nroom      mutants  survived");
for (const room of roomNames) {
  const own = counted.filter((mutant) => mutant.room === room).length;
  const lived = left.filter((mutant) => mutant.room === room).length;
  console.log(`${room.padEnd(10)}${String(own).padStart(7)}${String(lived).padStart(10)}`);
}
const share = (100 * left.length) / Math.max(1, counted.length);
console.log(
  `\n${counted.length} mutants, ${left.length} survived (${share.toFixed(1)} of 100), ` +
    `${survived.length - left.length} judged equivalent, ` +
    `${drawnUp.length - counted.length} more refused by the compiler alone, seed ${SEED}`,
);
if (share > MOST_SURVIVORS) process.exit(1);
