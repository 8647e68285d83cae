/** A choice per set-up parameter name. A parameter that is absent is unknown, not usual. */
export type SetUp = Readonly<Record<string, string>>;

const NOTHING: SetUp = {};

/** The choices of `to` that differ from those of `from`: what has to be moved. */
export function setUpChanges(from: SetUp, to: SetUp): SetUp {
  if (from === to) return NOTHING;
  return Object.fromEntries(Object.entries(to).filter(([name, choice]) => from[name] !== choice));
}

/** The set-up with another choice of one parameter, or without it where `choice` is null. */
export function withChoice(setUp: SetUp, name: string, choice: string | null): SetUp {
  const others = Object.entries(setUp).filter(([known]) => known !== name);
  return Object.fromEntries(choice === null ? others : [...others, [name, choice]]);
}
