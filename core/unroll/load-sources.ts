import type { Count, Id, Mass, MovementRef, Share } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { Accent, LoadRounding, Tempo } from "../plan/index.ts";
import type { StepLoad } from "./step.ts";

/** What loads are worked out from. */
export interface LoadSources {
  readonly bodyWeight: Mass | null;
  /** The total of the heaviest work set last logged with a movement; null where none or unknown. */
  readonly lastTotal: (movement: MovementRef) => Mass | null;
  /** True where a movement was logged anywhere, whether or not its total is known. */
  readonly isLogged: (movement: MovementRef) => boolean;
  /** The reading of the first work set last logged with this movement at this station. */
  readonly lastReading: Mass | null;
  /** The total usually moved there for so many reps; null where nothing says. */
  readonly usualTotal: (reps: Count) => Mass | null;
  readonly strength: Strength | null;
  readonly rounding: LoadRounding;
  /** Loads of the sets that came before in the session, with the station they were made on. */
  readonly before: ReadonlyMap<Id<"set">, LoadsOfSet>;
}

/** What one set came to: its own load, and that of each of its extensions. */
export interface LoadsOfSet {
  readonly load: StepLoad;
  readonly extensions: ReadonlyMap<Id<"extension">, StepLoad>;
  readonly station: Station;
}

/** What a person's estimated maximum with a movement at a station gives; core/progress makes it. */
export interface Strength {
  /** The total that is this share of the maximum. */
  readonly ofMaximum: (share: Share) => Mass;
  /** The total for so many possible reps, done in this way; null beyond what an estimate covers. */
  readonly forReps: (
    possible: number,
    how: { readonly tempo: Tempo; readonly accents: readonly Accent[] },
  ) => Mass | null;
}
