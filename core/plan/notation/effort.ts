import { isRir, type Rir } from "../index.ts";
import { number, type Num } from "./measures.ts";
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
    first<Means<Rir>>(
      map(number, (left) => (r: Reading) => readReserve(r, left.value, left)),
      map(
        oneOf<Rir>([
          ["many", "more"],
          ["none", 0],
          ["unknown", "unknown"],
        ]),
        (rir) => () => rir,
      ),
    ),
    (rir) => (r) => ({ effort: rir(r) }),
  ),
  headed("past", word("limit"), () => () => ({ effort: "past" })),
  headed("effort", number, (said) => (r) => ({
    effort: said.value >= 0 && said.value < 5 ? "more" : readReserve(r, 10 - said.value, said),
  })),
);

export function effortText(rir: Rir): string {
  if (rir === "more") return "leave many";
  if (rir === "past") return "past limit";
  return rir === "unknown" ? "leave unknown" : `leave ${rir}`;
}
