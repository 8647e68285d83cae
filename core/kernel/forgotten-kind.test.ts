import { readFileSync } from "node:fs";
import { join, relative } from "node:path";
import ts from "typescript";
import { describe, expect, it } from "vitest";

const ROOT = join(import.meta.dirname, "../..");

/** A family: its table, and a made-up kind that has all that the table's own functions ask of it. */
interface Family {
  readonly file: string;
  readonly table: string;
  readonly name: string;
  readonly module: string;
}

const of = (file: string, table: string, name: string, rest: string): Family => ({
  file,
  table,
  name,
  module: `import { kind } from "~/core/kernel/index.ts";
export const definition = kind("${name}", {});
const value = { kind: "${name}" } as const;
${rest}`,
});

const FAMILIES: readonly Family[] = [
  of(
    "core/plan/target.ts",
    "TARGETS",
    "dummyTarget",
    `export const begin = () => value;
export const asked = () => ({ measure: "reps", min: 1, max: 1 }) as const;
export { demanded, repeated } from "~/core/plan/target-asked.ts";`,
  ),
  of(
    "core/plan/load-rule.ts",
    "LOAD_RULES",
    "dummyLoadRule",
    `export const begin = () => value;
export const lead = () => value;
export { byItself as follows } from "~/core/plan/load-follows.ts";`,
  ),
  of("core/plan/load-basis.ts", "LOAD_BASES", "dummyBasis", "export const lead = () => value;"),
  of("core/plan/drop-load.ts", "DROP_LOADS", "dummyDrop", "export const begin = () => value;"),
  of(
    "core/plan/hold-position.ts",
    "HOLD_POSITIONS",
    "dummyHold",
    "export const begin = () => value;",
  ),
  of(
    "core/plan/rest.ts",
    "RESTS",
    "dummyRest",
    `import { seconds } from "~/core/kernel/index.ts";
import { driftOf } from "~/core/plan/rest-span.ts";
export const begin = () => value;
export const likely = () => seconds(1);
export const span = () => driftOf(seconds(1), 1, 1);`,
  ),
  of(
    "core/plan/accent.ts",
    "ACCENTS",
    "dummyAccent",
    `import { onceOnly } from "~/core/plan/accent-adds.ts";
export const begin = () => value;
export const adds = () => onceOnly(1);`,
  ),
  of(
    "core/plan/side.ts",
    "SIDES",
    "dummySide",
    `export const sides = () => ["both"] as const;
export const legs = () => "oneLeg" as const;
export const all = () => [value] as const;`,
  ),
  of("core/plan/intensity.ts", "INTENSITIES", "dummyIntensity", "export { value };"),
  {
    file: "core/plan/extension.ts",
    table: "EXTENSIONS",
    name: "dummyExtension",
    module: `import { kind, type ValueOf } from "~/core/kernel/index.ts";
import { extensionIds, straightOn, type ExtensionIds } from "~/core/plan/extension-base.ts";
import { targetField, type Target } from "~/core/plan/target.ts";
export const definition = kind("dummyExtension", { ...extensionIds, target: targetField });
type Dummy = ValueOf<{ definition: typeof definition }>;
export const begin = (ids: ExtensionIds, own: Target): Dummy => ({
  kind: "dummyExtension", ...ids, target: own,
});
export const bursts = ({ target }: Dummy) => straightOn(target);`,
  },
  {
    file: "core/plan/drills.ts",
    table: "DRILLS",
    name: "dummyDrill",
    module: `import { drillKind } from "~/core/plan/drill.ts";
export const definition = drillKind("dummyDrill");`,
  },
  of("core/plan/progression.ts", "PROGRESSIONS", "dummyRule", "export const begin = () => value;"),
  {
    file: "core/gym/loading.ts",
    table: "LOADINGS",
    name: "dummyLoading",
    module: `import { kind } from "~/core/kernel/index.ts";
import { unit } from "~/core/gym/loading-fields.ts";
export const definition = kind("dummyLoading", { unit });`,
  },
  of(
    "core/log/command.ts",
    "COMMANDS",
    "dummyCommand",
    `export { value };
export const subject = () => "dummy";`,
  ),
  of(
    "core/phase/cell-edit.ts",
    "CELL_EDITS",
    "dummyEdit",
    `export const step = () => "leftOut" as const;`,
  ),
];

const pathOf = (name: string) => join(ROOT, `core/kernel/${name}.ts`);

/** The files that the compiler refuses where each family has one kind more, by family. */
function refused(): ReadonlyMap<string, readonly string[]> {
  const read = ts.getParsedCommandLineOfConfigFile(
    join(ROOT, "tsconfig.json"),
    {},
    {
      ...ts.sys,
      onUnRecoverableConfigFileDiagnostic: (d) => {
        throw new Error(ts.flattenDiagnosticMessageText(d.messageText, "\n"));
      },
    },
  );
  if (read === undefined) throw new Error("no tsconfig.json");
  const changed = new Map<string, string>();
  for (const { file, table, name, module } of FAMILIES) {
    const path = join(ROOT, file);
    const text = changed.get(path) ?? readFileSync(path, "utf8");
    const begins = `export const ${table} = {`;
    if (!text.includes(begins)) throw new Error(`${file} has no ${table}`);
    changed.set(
      path,
      `import * as ${name} from "~/core/kernel/${name}.ts";\n${text.replace(begins, `${begins} ${name},`)}`,
    );
    changed.set(pathOf(name), module);
  }
  const host = ts.createCompilerHost(read.options);
  const plain = ts.createCompilerHost(read.options);
  host.readFile = (path) => changed.get(path) ?? plain.readFile(path);
  host.fileExists = (path) => changed.has(path) || plain.fileExists(path);
  host.getSourceFile = (path, target, ...rest) => {
    const text = changed.get(path);
    return text === undefined
      ? plain.getSourceFile(path, target, ...rest)
      : ts.createSourceFile(path, text, target, true);
  };
  // The screens know no kind by name: their forms show what the definitions hold.
  const files = read.fileNames.filter(
    (path) =>
      /\/(core|codec|format|server)\//.test(path) && !/\.test\.ts$|server\/app\.ts$/.test(path),
  );
  const program = ts.createProgram(files, read.options, host);
  const found = new Map<string, Set<string>>();
  for (const diagnostic of program.getSemanticDiagnostics()) {
    if (diagnostic.file === undefined) continue;
    const text = ts.flattenDiagnosticMessageText(diagnostic.messageText, "\n");
    const own = FAMILIES.filter(({ name }) => text.includes(name));
    for (const { name } of own.length === 0 ? [{ name: "unnamed" }] : own) {
      const at = found.get(name) ?? new Set();
      at.add(relative(ROOT, diagnostic.file.fileName));
      found.set(name, at);
    }
  }
  return new Map([...found].map(([name, at]) => [name, [...at].sort()]));
}

/** Where each kind has to be known, besides its own file and its family's table. */
const PLACES: Readonly<Record<string, readonly string[]>> = {
  dummyTarget: [
    "core/plan/notation/target.ts",
    "core/progress/rules/beat-last.ts",
    "core/progress/step-up.ts",
    "core/unroll/expand.ts",
    "format/fields.ts",
    "format/prescription.ts",
    "format/target.ts",
  ],
  dummyLoadRule: [
    "core/plan/notation/load.ts",
    "core/progress/accept.ts",
    "core/unroll/set-load.ts",
    "format/fields.ts",
    "format/load.ts",
  ],
  dummyBasis: ["core/plan/notation/load.ts", "core/unroll/set-load.ts", "format/load.ts"],
  dummyDrop: [
    "core/plan/notation/extension.ts",
    "core/unroll/dropped-load.ts",
    "format/fields.ts",
    "format/load.ts",
  ],
  dummyHold: ["core/plan/notation/extension.ts", "format/fields.ts", "format/prescription.ts"],
  dummyRest: [
    "core/coach/fix.ts",
    "core/plan/notation/rest.ts",
    "format/fields.ts",
    "format/prescription.ts",
  ],
  dummyAccent: [
    "core/plan/notation/tempo.ts",
    "core/progress/strictness.ts",
    "format/fields.ts",
    "format/prescription.ts",
  ],
  dummySide: ["core/plan/notation/side.ts", "format/training.ts"],
  dummyIntensity: ["core/plan/notation/item.ts", "format/prescription.ts"],
  dummyExtension: [
    "core/person/settings.ts",
    "core/plan/notation/extension.ts",
    "core/unroll/expand.ts",
    "format/fields.ts",
    "format/prescription.ts",
  ],
  dummyDrill: ["core/plan/notation/item.ts", "format/prescription.ts"],
  dummyRule: ["core/progress/rules.ts", "format/fields.ts", "format/progression.ts"],
  dummyLoading: [
    "codec/station-form.ts",
    "core/gym/change-load.ts",
    "core/gym/choose.ts",
    "core/gym/loading-trouble.ts",
    "core/gym/make.ts",
    "core/gym/station.ts",
    "format/station.ts",
  ],
  dummyEdit: ["format/phase.ts"],
  dummyCommand: [
    "core/log/corrections.ts",
    "format/corrections.ts",
    "server/db/performed.server.ts",
  ],
};

describe("a kind that is added to its family's table and nowhere else", () => {
  it("does not compile wherever something has to know it", { timeout: 180_000 }, () => {
    expect(Object.fromEntries(refused())).toEqual(PLACES);
  });
});
