import { amountOf, type Mass, type Share } from "../../../kernel/index.ts";

export const num = (n: number) => String(n);

function clock(t: number): string {
  return `${Math.floor(t / 60)}:${String(t % 60).padStart(2, "0")}`;
}

/** "45 s" below a minute and for parts of a second, "1:30" otherwise. */
export function time(t: number): string {
  return Number.isInteger(t) && t >= 60 ? clock(t) : `${num(t)} s`;
}

/** The shortest decimal of a share's per cent that gives the share back. */
export function percent(s: Share): string {
  const exact = s * 100;
  for (let digits = 1; digits <= 17; digits += 1) {
    const n = Number(exact.toPrecision(digits));
    if (n / 100 === s) return `${num(n)}%`;
  }
  return `${num(exact)}%`;
}

export const massText = (m: Mass) => `${num(amountOf(m))} ${m.unit}`;

/** Parts with a blank between them; empty ones left out. */
export const joined = (parts: readonly string[]) => parts.filter((part) => part !== "").join(" ");
