import { isEffortSpan, isRir, type PlannedSet, type Rir } from "../index.ts";
import { number, range, type Num, type Range } from "./measures.ts";
import {
  behind,
  first,
  inTurn,
  map,
  maybe,
  oneOf,
  word,
  type Means,
  type Words,
} from "./phrase.ts";
import { note, type Reading } from "./reading.ts";
import { headed, type Saying } from "./saying.ts";

function readReserve(r: Reading, left: number, said: Num): Rir {
  if (isRir(left)) return left;
  note(r, said, { code: "reserve", value: said.value });
  return 0;
}

type Reserve = Pick<PlannedSet, "effort" | "effortUpTo">;

const reserve = first<Means<Reserve>>(
  map(behind("over", number), (most) => (r: Reading) => readOver(r, most)),
  map(range(number), (left) => (r: Reading) => readReserves(r, left)),
  map(
    oneOf<Rir>([
      ["many", "more"],
      ["none", 0],
      ["unknown", "unknown"],
    ]),
    (effort) => () => ({ effort, effortUpTo: null }),
  ),
);
const outOfTen = (said: Num) => (r: Reading) => ({
  effort: said.value >= 0 && said.value < 5 ? "more" : readReserve(r, 10 - said.value, said),
  effortUpTo: null,
});
const stated = (effort: Rir) => () => () => ({ effort, effortUpTo: null });

/** The RIR, also where the effort is written out of ten; older lines say "leave 2" and "past limit". */
export const effort: Words<Saying> = first(
  map(
    inTurn(
      maybe(word("at")),
      headed("rir", reserve, (said) => said),
    ),
    ([, said]) => said,
  ),
  headed("leave", reserve, (said) => said),
  headed("to", word("failure"), stated(0)),
  headed("beyond", word("failure"), stated("past")),
  headed("past", word("limit"), stated("past")),
  map(inTurn(maybe(word("at")), headed("rpe", number, outOfTen)), ([, said]) => said),
  map(inTurn(range(number), word("rir")), ([left, at]) => ({
    ...at,
    says: (r) => readReserves(r, left),
  })),
  headed("effort", number, outOfTen),
);

/** "over 5": more than can be told apart. */
function readOver(r: Reading, most: Num): Reserve {
  if (most.value !== 5) note(r, most, { code: "reserve", value: most.value });
  return { effort: "more", effortUpTo: null };
}

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
  if (upTo !== null) return `RIR ${rir}-${upTo}`;
  if (rir === "more") return "RIR over 5";
  return rir === "past" ? "beyond failure" : `RIR ${rir}`;
}
