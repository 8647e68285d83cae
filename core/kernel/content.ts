/**
 * Plain data as text that is the same for the same content, in whatever order it was put together. Keys of
 * `leftOut` do not count, at any depth.
 */
export function contentKey(value: unknown, leftOut: ReadonlySet<string> = NOTHING): string {
  if (typeof value !== "object" || value === null) return JSON.stringify(value);
  if (Array.isArray(value)) {
    return `[${value.map((entry: unknown) => contentKey(entry, leftOut)).join()}]`;
  }
  let content = "";
  for (const key of Object.keys(value).sort()) {
    if (leftOut.has(key)) continue;
    content += `${key}:${contentKey(value[key as keyof typeof value], leftOut)};`;
  }
  return `{${content}}`;
}

const NOTHING: ReadonlySet<string> = new Set();
