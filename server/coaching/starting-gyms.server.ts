import { findMovement, SHIPPED_MOVEMENTS } from "~/core/movement/catalogue/index.ts";
import { kg, type Mass } from "~/core/kernel/index.ts";
import type { Loading } from "~/core/gym/index.ts";
import type { StartingGym } from "~/codec/station-form.ts";
import type { StationContent } from "../db/gyms.server.ts";

/** What a new gym begins with: equipment whose loads are assumed until somebody has looked. */
type Starting = Readonly<Record<StartingGym, readonly StationContent[]>>;

/** Some plates of each size. */
const plates = (count: number, ...sizes: readonly number[]) =>
  sizes.map((size) => ({ size: kg(size), count }));
/** `first`, `first + by` … as many as asked. */
const run = (first: number, by: number, many: number): readonly Mass[] =>
  Array.from({ length: many }, (_, i) => kg(first + by * i));

function equipment(
  name: string,
  loading: Loading,
  serves: (slug: string) => boolean,
): StationContent {
  return {
    name,
    loading,
    serves: SHIPPED_MOVEMENTS.filter(
      ({ ref, loadings }) =>
        loadings.includes(loading.kind) && serves(ref.slice("shipped:".length)),
    ).map(({ ref }) => ref),
    profile: null,
    usuallyBusy: false,
    room: "",
    // Where nothing is loaded there is nothing to assume.
    isAssumed: loading.kind !== "bodyweight" && loading.kind !== "unloaded",
  };
}

/** These exercises; one that does not ship is a slip of the pen. */
function only(...slugs: readonly string[]): (slug: string) => boolean {
  const unknown = slugs.find((slug) => findMovement(`shipped:${slug}`) === null);
  if (unknown !== undefined) throw new Error(`no exercise ships as ${unknown}`);
  return (slug) => slugs.includes(slug);
}
function but(...slugs: readonly string[]): (slug: string) => boolean {
  const isOne = only(...slugs);
  return (slug) => !isOne(slug);
}

/** A bar on rails, one with its end in a corner, and special bars are equipment of their own. */
const NO_PLAIN_BAR = [
  "guided-bar-squat",
  "guided-bar-split-squat",
  "guided-bar-calf-raise",
  "angled-bar-squat",
  "safety-bar-squat",
  "hexagonal-bar-deadlift",
];
/** What takes a bench, a box, a ball or a machine, though only the body is moved. */
const NO_FLOOR = [
  "back-extension",
  "horizontal-back-extension",
  "reverse-hyperextension",
  "glute-ham-raise",
  "hanging-knee-raise",
  "ball-leg-curl",
  "ball-squeeze",
  "rollout",
  "suitcase-carry",
  "stationary-cycling",
  "inclined-walk",
  "stair-climbing",
  "rowing",
  "rope-skipping",
];

const bar = (mass: number, count: number): Loading => ({
  kind: "bar",
  unit: "kg",
  bar: kg(mass),
  plates: plates(count, 20, 15, 10, 5, 2.5, 1.25),
});
/** A sled whose own weight nobody has read: shares are then of the plates, and said to be. */
const SLED: Loading = {
  kind: "plateMachine",
  unit: "kg",
  carriage: null,
  points: 2,
  plates: plates(6, 20, 15, 10, 5, 2.5, 1.25),
};
const stack = (many: number): Loading => ({
  kind: "stack",
  unit: "kg",
  pins: run(5, 5, many),
  addOns: [],
  pulleyRatio: 1,
});
const dumbbells = (first: number, by: number, many: number): Loading => ({
  kind: "dumbbells",
  unit: "kg",
  present: run(first, by, many),
  counted: "each",
});
const BANDS: Loading = {
  kind: "band",
  unit: "kg",
  bands: [
    { name: "light", tension: kg(8) },
    { name: "medium", tension: kg(15) },
    { name: "strong", tension: kg(25) },
  ],
};
const BODY: Loading = { kind: "bodyweight", unit: "kg", movedShare: 0.85, added: [] };
const NOTHING: Loading = { kind: "unloaded", unit: "kg" };

/** Body weight and floor are in every gym: they need nothing. */
const FLOOR: readonly StationContent[] = [
  equipment("Body weight", BODY, but(...NO_FLOOR)),
  equipment("Floor", NOTHING, but(...NO_FLOOR)),
];

const rack = equipment("Rack", bar(20, 6), but(...NO_PLAIN_BAR));
const LEG_PRESS = only(
  "leg-press",
  "single-leg-press",
  "leg-press-calf-raise",
  "single-leg-press-calf-raise",
);
const CABLE = only(
  "cable-pull-through",
  "cable-kickback",
  "cable-hip-abduction",
  "cable-hip-adduction",
  "cable-leg-curl",
  "cable-leg-extension",
  "cable-crunch",
  "cable-knee-drive",
  "cross-leg-cable-lift",
  "anti-rotation-press",
);
const extension = equipment(
  "Leg extension",
  stack(20),
  only("leg-extension", "single-leg-extension", "knee-extension-hold"),
);
const backBench = equipment(
  "Back extension bench",
  BODY,
  only("back-extension", "horizontal-back-extension"),
);

/** What stands in a gym of each kind. Source: our rule; corrected by whoever trains there. */
export const STARTING_GYMS: Starting = {
  empty: FLOOR,
  commercial: [
    rack,
    equipment(
      "Guided bar",
      bar(15, 6),
      only("guided-bar-squat", "guided-bar-split-squat", "guided-bar-calf-raise"),
    ),
    equipment("Hexagonal bar", bar(25, 6), only("hexagonal-bar-deadlift")),
    equipment("Leg press", SLED, LEG_PRESS),
    equipment(
      "Hack squat",
      SLED,
      only("hack-squat", "single-leg-hack-squat", "reverse-hack-squat"),
    ),
    equipment("Seated leg press", stack(24), only("seated-leg-press")),
    extension,
    equipment("Lying leg curl", stack(18), only("lying-leg-curl", "single-leg-lying-curl")),
    equipment("Seated leg curl", stack(18), only("seated-leg-curl")),
    equipment("Standing calf machine", stack(24), only("standing-calf-raise")),
    equipment("Seated calf machine", SLED, only("seated-calf-raise")),
    equipment("Abduction machine", stack(18), only("abduction-machine")),
    equipment("Adduction machine", stack(18), only("adduction-machine")),
    equipment("Cable", stack(18), CABLE),
    equipment("Dumbbells", dumbbells(2.5, 2.5, 20), () => true),
    equipment(
      "Kettlebells",
      { kind: "freeObject", unit: "kg", present: [8, 12, 16, 20, 24, 32].map(kg), held: 1 },
      () => true,
    ),
    backBench,
    equipment(
      "Cardio machines",
      NOTHING,
      only("stationary-cycling", "inclined-walk", "stair-climbing", "rowing"),
    ),
    ...FLOOR,
  ],
  small: [
    rack,
    equipment("Leg press", SLED, LEG_PRESS),
    extension,
    equipment(
      "Leg curl",
      stack(16),
      only("lying-leg-curl", "seated-leg-curl", "single-leg-lying-curl"),
    ),
    equipment("Cable", stack(16), CABLE),
    equipment("Dumbbells", dumbbells(2.5, 2.5, 14), () => true),
    equipment("Bands", BANDS, () => true),
    backBench,
    equipment("Bike", NOTHING, only("stationary-cycling")),
    ...FLOOR,
  ],
  home: [
    equipment("Dumbbells", dumbbells(2, 2, 12), () => true),
    equipment(
      "Kettlebell",
      { kind: "freeObject", unit: "kg", present: [kg(16)], held: 1 },
      () => true,
    ),
    equipment("Bands", BANDS, () => true),
    equipment("Ball", NOTHING, only("ball-leg-curl", "ball-squeeze")),
    ...FLOOR,
  ],
};
