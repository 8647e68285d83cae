import { z } from "zod";
import { kind, share, where, type Share } from "../kernel/index.ts";

/** A share, or one from `share` up to `upTo`. */
export interface ShareSpan {
  readonly share: Share;
  readonly upTo: Share | null;
}

const isAscending = ({ share: from, upTo }: ShareSpan) => upTo === null || upTo > from;

/** As `kind`, where the upper end of the share has to be above it. */
export function spanKind<const K extends string, F extends z.core.$ZodLooseShape>(
  name: K,
  fields: F,
) {
  const { schema } = kind(name, fields);
  const checked = where(schema.unwrap(), isAscending, "expected a share from low to high");
  return { name, fields, schema: checked } as const;
}

/** The share that is aimed at: the middle of a range. */
export function aimedAt({ share: from, upTo }: ShareSpan): Share {
  return upTo === null ? from : share((from + upTo) / 2);
}
