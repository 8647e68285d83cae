import { data } from "react-router";

/**
 * How much Kravo reads of a request, before anything is parsed. A plan of sixty exercises is about 400 kB, a
 * batch of two hundred commands with the longest notes 900 kB. Source: our rule.
 */
export const BODY_BOUNDS = {
  /** Any body at all; more is not even received. */
  bytes: 2_000_000,
  formBytes: 200_000,
  fields: 2000,
  fieldName: 120,
  /** Highest index of a list in a field's name: `faults[7].cue`. */
  index: 99,
  /** Names within names. */
  depth: 4,
  jsonDepth: 32,
} as const;

/** Names that forms use: a word, then members and list places. */
const FIELD_NAME = /^[A-Za-z][\w:-]*(?:\[\d{1,2}\]|\.[A-Za-z]\w*)*$/;
const STEP = /[.[]/g;

/** The fields of a form that was sent as forms are sent. Throws a 413, 415 or 400 with what was wrong. */
export async function readForm(request: Request): Promise<FormData> {
  expectType(request, "application/x-www-form-urlencoded");
  const text = await readText(request, BODY_BOUNDS.formBytes);
  const form = new FormData();
  let count = 0;
  for (const [name, value] of new URLSearchParams(text)) {
    count += 1;
    if (count > BODY_BOUNDS.fields)
      throw refuse(400, "This form has more fields than any of Kravo's.");
    if (!isFieldName(name)) throw refuse(400, "This form has a field that no form of Kravo's has.");
    form.append(name, value);
  }
  return form;
}

function isFieldName(name: string): boolean {
  return (
    name.length <= BODY_BOUNDS.fieldName &&
    FIELD_NAME.test(name) &&
    (name.match(STEP)?.length ?? 0) <= BODY_BOUNDS.depth
  );
}

/** A JSON body of bounded size and nesting, not yet known to be anything. Throws a 413, 415 or 400. */
export async function readJson(request: Request): Promise<unknown> {
  expectType(request, "application/json");
  const text = await readText(request, BODY_BOUNDS.bytes);
  if (nestsDeeperThan(text, BODY_BOUNDS.jsonDepth)) {
    throw refuse(400, "This is nested deeper than anything that Kravo keeps.");
  }
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw refuse(400, "Expected JSON.");
  }
}

/** True for a body that claims to be JSON, where a route takes forms as well. */
export function isJson(request: Request): boolean {
  return typeOf(request) === "application/json";
}

/** Looks at brackets only, in one pass, without building anything. */
function nestsDeeperThan(text: string, most: number): boolean {
  let depth = 0;
  let isText = false;
  for (let i = 0; i < text.length; i++) {
    const character = text[i];
    if (isText) {
      if (character === "\\") i += 1;
      else if (character === '"') isText = false;
    } else if (character === '"') isText = true;
    else if (character === "{" || character === "[") {
      depth += 1;
      if (depth > most) return true;
    } else if (character === "}" || character === "]") depth -= 1;
  }
  return false;
}

function typeOf(request: Request): string {
  return (request.headers.get("content-type") ?? "").split(";")[0]?.trim().toLowerCase() ?? "";
}

function expectType(request: Request, expected: string): void {
  if (typeOf(request) !== expected) throw refuse(415, `Expected a body of type ${expected}.`);
}

/** The body as text; stops reading as soon as it is too long, whatever length was announced. */
async function readText(request: Request, most: number): Promise<string> {
  const tooLarge = () => refuse(413, `This is larger than Kravo reads here, ${most / 1000} kB.`);
  if (Number(request.headers.get("content-length") ?? 0) > most) throw tooLarge();
  if (request.body === null) return "";
  const reader = request.body.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    // The rest is left unread; cancelling would take the connection down before the answer is out.
    if (size > most) throw tooLarge();
    chunks.push(value);
  }
  return Buffer.concat(chunks).toString("utf8");
}

function refuse(status: 400 | 413 | 415, text: string): unknown {
  return data(text, { status });
}

/** A form's reply that says what was expected, as a client's error. */
export function refused<T>(reply: T) {
  return data(reply, { status: 400 });
}
