import type { ApproachRef } from "~/core/person/index.ts";

/** The address of an approach: `shipped-of-slug`, since a colon in a path is awkward to type and to quote. */
export function approachPath(ref: ApproachRef): string {
  return `/approaches/${ref.replace(":", "-of-")}`;
}

/** The reference that a part of an address stands for; what it names may not exist. */
export function approachRefIn(address: string): string {
  return address.replace("-of-", ":");
}
