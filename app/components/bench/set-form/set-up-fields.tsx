import type { Movement } from "~/core/movement/index.ts";
import { withChoice, type SetUp } from "~/core/plan/index.ts";
import { Pick } from "./form-fields.tsx";

const UNSAID = "";

/** The set-up parameters of a movement, each to be chosen or left as it is. */
export function SetUpFields({
  movement,
  setUp,
  unsaid,
  onChange,
}: {
  readonly movement: Movement | null;
  readonly setUp: SetUp;
  /** What holds where nothing is chosen, in words. */
  readonly unsaid: string;
  readonly onChange: (change: (now: SetUp) => SetUp) => void;
}) {
  return movement?.setUp.map(({ name, choices }) => (
    <Pick
      key={name}
      label={name}
      width={150}
      value={setUp[name] ?? UNSAID}
      options={[[UNSAID, unsaid], ...choices.map((choice) => [choice, choice] as const)]}
      onValue={(choice) =>
        onChange((now) => withChoice(now, name, choice === UNSAID ? null : choice))
      }
    />
  ));
}
