import { isEffortSpan, isRir, type PlannedSet, type Rir } from "../index.ts";
import { number, range, type Num, type Range } from "./measures.ts";
import { first, map, oneOf, word, type Means, type Words } from "./phrase.ts";
import { note, type Reading } from "./reading.ts";
import { headed, type Saying } from "./saying.ts";

function readReserve(r: Reading, left: number, said: Num): Rir {
  if (isRir(left)) return left;
  note(r, said, { code: "reserve", value: said.value });
  return 0;
}

/** Reps to leave, also where the effort is written out of ten. */
export const effort: Words<Saying> = first(
  headed(
    "leave",
    first<Means<Reserve>>(
      map(range(number), (left) => (r: Reading) => readReserves(r, left)),
      map(
        oneOf<Rir>([
          ["many", "more"],
          ["none", 0],
          ["unknown", "unknown"],
        ]),
        (effort) => () => ({ effort, effortUpTo: null }),
      ),
    ),
    (reserve) => (r) => reserve(r),
  ),
  headed("past", word("limit"), () => () => ({ effort: "past", effortUpTo: null })),
  headed("effort", number, (said) => (r) => ({
    effort: said.value >= 0 && said.value < 5 ? "more" : readReserve(r, 10 - said.value, said),
    effortUpTo: null,
  })),
);

type Reserve = Pick<PlannedSet, "effort" | "effortUpTo">;

/** So many to leave, or from the least to the most. */
function readReserves(r: Reading, left: Range): Reserve {
  const least = readReserve(r, left.min.value, left.min);
  if (left.isOne) return { effort: least, effortUpTo: null };
  const most = readReserve(r, left.max.value, left.max);
  if (isEffortSpan(least, most)) return { effort: least, effortUpTo: most };
  note(r, left, { code: "upsideDown", min: left.min.value, max: left.max.value });
  return { effort: least, effortUpTo: null };
}

export function effortText(rir: Rir, upTo: Rir | null): string {
  if (upTo !== null) return `leave ${rir}-${upTo}`;
  if (rir === "more") return "leave many";
  if (rir === "past") return "past limit";
  return rir === "unknown" ? "leave unknown" : `leave ${rir}`;
}
