import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { describe, expect, it } from "vitest";

/** What Kravo no longer says, wherever a coach or a client can read it. */
const RETIRED = [
  /\bstations?\b/i,
  /\bcarriages?\b|\bmass of the\b/i,
  /\bpieces\b/i,
  /\breads? (loads )?in\b/i,
  /\breserve\b/i,
  /\b(none|over 5|\d) left\b|past the limit|to the limit|\bnot said\b/i,
  /\btaken? .*\bin turn\b|\bin turn with\b/i,
  /\bPreparation\b|\bRestoration\b/,
  /\bcourse\b/i,
  /run down the steps/i,
  /\bholes?\b|twice the same|nothing found|nothing is left/i,
  /\bmade for\b/i,
  /\bprovoked by\b|(?<!pain )allowed up to|professional’s word/i,
  /\bhelped by\b|\bhelper\b/i,
  /\bmiscounted\b|\bflat day\b/i,
  /\btakes? the change\b|\bputs? away\b|\btakes? back\b|\bgives? it to\b/i,
  /\bships? with\b/i,
  /\bmeanwhile\b|\banew\b|constrains nothing/i,
  /\bloads by reps\b|effort in all\b/i,
  /\bestimated maximum\b|of the total moved\b/i,
];
/** And on screens, though a machine's, an exercise's or an approach's text may. */
const RETIRED_ON_SCREEN = [/\bbench\b/i, /\bmovements?\b/i, /\bperson\b|\bpeople\b|\btrainee\b/i];

const SCREENS = ["app", "format", "codec"];
const TEXTS = ["core/person", "core/movement/catalogue"];

/** Attributes that nobody reads. */
const UNREAD =
  /^(className|id|key|name|type|variant|component|size|to|href|htmlFor|role|sx|color)$/;

function filesIn(folder: string): readonly string[] {
  return readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|\.d\.ts$/.test(file))
    .map((file) => join(folder, file));
}

/** Every text of a file that may be read: between tags, in attributes, and strings of several words or with a capital. */
function textsOf(file: string): readonly { readonly text: string; readonly line: number }[] {
  const kind = file.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(
    file,
    readFileSync(file, "utf8"),
    ts.ScriptTarget.Latest,
    true,
    kind,
  );
  const found: { text: string; line: number }[] = [];
  const visit = (node: ts.Node): void => {
    const isCode =
      ts.isImportDeclaration(node) ||
      ts.isExportDeclaration(node) ||
      ts.isLiteralTypeNode(node) ||
      ts.isThrowStatement(node);
    if (isCode) return;
    const text = readText(node);
    if (text !== null && text.trim() !== "") {
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      found.push({ text: text.replace(/\s+/g, " ").trim(), line: line + 1 });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

function readText(node: ts.Node): string | null {
  if (ts.isJsxText(node)) return node.text;
  if (ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node))
    return isAddress(node.text) ? null : node.text;
  if (!ts.isStringLiteral(node) && !ts.isNoSubstitutionTemplateLiteral(node)) return null;
  const { parent, text } = node;
  if (isAddress(text)) return null;
  if (ts.isJsxAttribute(parent)) return UNREAD.test(parent.name.getText()) ? null : text;
  const isCounted = ts.isCallExpression(parent) && parent.expression.getText() === "plural";
  if (isCounted) return text;
  return /\s/.test(text.trim()) || /^[A-Z][a-z]/.test(text) ? text : null;
}

const isAddress = (text: string) => /^[/?#&]/.test(text) || /=$/.test(text);

function retiredIn(folders: readonly string[], retired: readonly RegExp[]): readonly string[] {
  return folders
    .flatMap(filesIn)
    .filter((file) => retired.some((term) => term.test(readFileSync(file, "utf8"))))
    .flatMap((file) =>
      textsOf(file).flatMap(({ text, line }) =>
        retired.some((term) => term.test(text)) ? [`${file}:${line}: ${text}`] : [],
      ),
    );
}

describe("what Kravo says", () => {
  it("has none of the retired terms", () => {
    expect(retiredIn([...SCREENS, ...TEXTS], RETIRED)).toEqual([]);
    expect(retiredIn(SCREENS, RETIRED_ON_SCREEN)).toEqual([]);
  });

  it("is all read: text, attributes and sentences, and no code", () => {
    const texts = textsOf("app/routes/people.tsx").map(({ text }) => text);
    expect(texts).toEqual(expect.arrayContaining(["Clients", "Plan one"]));
    expect(texts.filter((text) => text.includes("/people"))).toEqual([]);
  });
});
