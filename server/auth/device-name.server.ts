/** What browsers call themselves, the more special before those that they claim to be as well. */
const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/\bEdg(?:e|A|iOS)?\//, "Edge"],
  [/\bOPR\//, "Opera"],
  [/\b(?:Firefox|FxiOS)\//, "Firefox"],
  [/\b(?:HeadlessChrome|Chrome|CriOS)\//, "Chrome"],
  [/\bSafari\//, "Safari"],
];
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/\biPhone\b/, "iPhone"],
  [/\biPad\b/, "iPad"],
  [/\bAndroid\b/, "Android"],
  [/\bWindows\b/, "Windows"],
  [/\bMac OS X\b/, "Mac"],
  [/\bCrOS\b/, "ChromeOS"],
  [/\bLinux\b/, "Linux"],
];

/** "Firefox on Windows", so that somebody knows which of their devices is signed in; a guess, and nothing more. */
export function deviceName(agent: string | null): string {
  const named = (of: typeof BROWSERS) =>
    of.find(([sign]) => agent !== null && sign.test(agent))?.[1];
  const [browser, system] = [named(BROWSERS), named(SYSTEMS)];
  if (browser === undefined) return system ?? "";
  return system === undefined ? browser : `${browser} on ${system}`;
}
