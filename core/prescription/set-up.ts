/** A choice per set-up parameter name. A parameter that is absent is unknown, not usual. */
export type SetUp = Readonly<Record<string, string>>;

const NOTHING: SetUp = {};

/** The choices of `to` that differ from those of `from`: what has to be moved. */
export function setUpChanges(from: SetUp, to: SetUp): SetUp {
  if (from === to) return NOTHING;
  return Object.fromEntries(Object.entries(to).filter(([name, choice]) => from[name] !== choice));
}
