import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { memo, useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import {
  ANYTHING,
  canBeOverruled,
  findMovements,
  mainCause,
  type Candidate,
  type OutReason,
  type Query,
  type RuledOut,
} from "~/core/coach/search/index.ts";
import type { Judged } from "~/core/coach/index.ts";
import {
  assertNever,
  JOINT_ACTIONS,
  type Id,
  LATERALITIES,
  MUSCLE_LENGTHS,
  PATTERNS,
  REGIONS,
  RESISTANCE_PROFILES,
} from "~/core/kernel/index.ts";
import { formatBrings, formatOutReason } from "~/format/findings.ts";
import {
  ACTION_NAMES,
  LATERALITY_NAMES,
  LENGTH_NAMES,
  PATTERN_NAMES,
  PROFILE_NAMES,
} from "~/format/training.ts";
import type { ItemBlock } from "~/core/plan/index.ts";
import type { BriefStep } from "../brief/brief-steps.ts";
import { Disclosure } from "../disclosure.tsx";
import { PlainInput, Select } from "../field.tsx";
import { steady } from "../steady.ts";
import { AddBlocks } from "./add-blocks.tsx";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";
import { useMuscles } from "../wording.ts";

/** So many are drawn at once; the rest is a press away. */
const SHOWN = 12;

const STRESS_NAMES = { none: "none", low: "low", moderate: "moderate" } as const;
const EFFORT_NAMES = { little: "little", some: "some" } as const;

/** Finds the next movement: type, arrow, Enter. What is out stays one press away, with every reason. */
export const ExerciseSearch = memo(function ExerciseSearch({
  judged,
  person,
  gym,
  onAdd,
  onAddBlock,
  onSuggest,
}: {
  readonly judged: Judged;
  readonly person: Id<"person">;
  readonly gym: Id<"gym">;
  /** `write` asks to go on in the exercise's written line. */
  readonly onAdd: (candidate: Candidate, write: boolean) => void;
  /** Adds a block without sets instead. */
  readonly onAddBlock: (kind: ItemBlock["kind"]) => void;
  readonly onSuggest: () => void;
}) {
  const muscles = useMuscles();
  const [query, setQuery] = useState<Query>(ANYTHING);
  const [active, setActive] = useState(0);
  const [all, setAll] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const found = useMemo(() => findMovements(query, judged), [query, judged]);
  const shown = all ? found.candidates : found.candidates.slice(0, SHOWN);
  const change = (to: Partial<Query>) => {
    setQuery((q) => ({ ...q, ...to }));
    setActive(0);
  };
  const add = (candidate: Candidate | undefined, write: boolean) => {
    if (candidate === undefined) return;
    onAdd(candidate, write);
    change({ text: "" });
    if (!write) input.current?.focus();
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyping =
        event.target instanceof HTMLElement && event.target.matches("input, textarea, select");
      if (event.key !== "/" || isTyping) return;
      event.preventDefault();
      input.current?.focus();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  const optionId = (i: number) => `search-${i}`;
  return (
    <section className={bench.search} aria-label="Find an exercise">
      <div className={`${plain.row} ${bench.searchHead}`}>
        <h2 className={plain.grow}>Add an exercise</h2>
        <AddBlocks onAdd={onAddBlock} onSuggest={onSuggest} />
      </div>
      <PlainInput
        ref={input}
        type="search"
        role="combobox"
        aria-label="Search exercises"
        aria-expanded="true"
        aria-controls="search-list"
        aria-activedescendant={shown[active] === undefined ? undefined : optionId(active)}
        placeholder="/  name, muscle or pattern: curl, adductors, step …"
        title="Arrows choose, Enter adds, Ctrl and Enter adds and writes its sets"
        value={query.text}
        // The key that leads here is no part of a name.
        onChange={(event) => change({ text: event.target.value.replace(/^\/+/, "") })}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown" || event.key === "ArrowUp") {
            event.preventDefault();
            const by = event.key === "ArrowDown" ? 1 : -1;
            setActive((n) => Math.min(shown.length - 1, Math.max(0, n + by)));
          }
          if (event.key === "Enter") {
            event.preventDefault();
            add(shown[active], event.ctrlKey || event.metaKey);
          }
          if (event.key === "Escape") setQuery(ANYTHING);
        }}
      />
      <Filters query={query} judged={judged} onChange={change} />
      <ul id="search-list" role="listbox" aria-label="Exercises">
        {shown.map((candidate, i) => (
          <Option
            key={candidate.movement.ref}
            id={optionId(i)}
            isActive={i === active}
            name={candidate.movement.name}
            station={`${candidate.station.name}${candidate.station.usuallyBusy ? ", usually busy" : ""}`}
            brings={candidate.brings
              .slice(0, 2)
              .map((own) => formatBrings(own, muscles))
              .join(" · ")}
            of={candidate}
            onAdd={(chosen) => add(chosen, false)}
          />
        ))}
      </ul>
      {found.candidates.length > SHOWN ? (
        <button type="button" className={plain.smallButton} onClick={() => setAll(!all)}>
          {all ? `Only the first ${SHOWN}` : `All ${found.candidates.length}`}
        </button>
      ) : null}
      {found.candidates.length === 0 ? (
        <NothingLeft
          found={found}
          person={person}
          gym={gym}
          onUse={(candidate) => add(candidate, false)}
        />
      ) : null}
      {found.out.length === 0 ? null : (
        <Disclosure dense summary={`${found.out.length} ruled out: see why`}>
          <Box
            component="ul"
            sx={{ listStyle: "none", p: 0, m: 0, columns: { md: 2 }, columnGap: 4 }}
          >
            {found.out.map((out) => (
              <Box
                component="li"
                key={out.movement.ref}
                sx={{ breakInside: "avoid", py: 0.5, borderBottom: 1, borderColor: "divider" }}
              >
                <Typography variant="body2" sx={{ fontWeight: 650 }}>
                  {out.movement.name}
                </Typography>
                <Typography variant="body2" sx={{ color: "text.secondary" }}>
                  {out.reasons.map(formatOutReason).join("; ")}
                </Typography>
                <UseAllTheSame out={out} onUse={(candidate) => add(candidate, false)} />
              </Box>
            ))}
          </Box>
        </Disclosure>
      )}
    </section>
  );
});

/** One movement at a station, with what it brings. */
const Option = steady(function Option({
  id,
  isActive,
  name,
  station,
  brings,
  of,
  onAdd,
}: {
  readonly id: string;
  readonly isActive: boolean;
  readonly name: string;
  readonly station: string;
  readonly brings: string;
  readonly of: Candidate;
  readonly onAdd: (candidate: Candidate) => void;
}) {
  return (
    <li
      className={bench.offer}
      id={id}
      role="option"
      aria-selected={isActive}
      onClick={() => onAdd(of)}
    >
      <span>{name}</span>
      <span>{station}</span>
      <span>{brings}</span>
    </li>
  );
});

/** Where each cause is changed, and what the press says. */
function waysOut(
  cause: OutReason,
  person: Id<"person">,
  gym: Id<"gym">,
): { readonly to: string; readonly says: string } {
  const brief = (step: BriefStep) => `/people/${person}/brief?step=${step}#change`;
  switch (cause.code) {
    case "level":
      return { to: `/people/${person}/edit`, says: "Change the level" };
    case "notInGym":
      return { to: `/gyms/${gym}`, says: "Add the equipment" };
    case "limit":
      return { to: brief("health"), says: "Look at the limits" };
    case "forbidden":
      return { to: brief("health"), says: "Look at the clearances" };
    case "equipment":
      return { to: brief("where"), says: "Look at the equipment ruled out" };
    case "needsHands":
      return { to: brief("where"), says: "Look at who helps" };
    case "disliked":
      return { to: brief("where"), says: "Look at the dislikes" };
    default:
      return assertNever(cause);
  }
}

/** Nothing is left: says by which cause, where that is changed, and what can be used all the same. */
function NothingLeft({
  found,
  person,
  gym,
  onUse,
}: {
  readonly found: ReturnType<typeof findMovements>;
  readonly person: Id<"person">;
  readonly gym: Id<"gym">;
  readonly onUse: (candidate: Candidate) => void;
}) {
  const cause = mainCause(found.out);
  if (cause === null) {
    return <Typography sx={{ py: 1 }}>No exercise matches; press Escape to start over.</Typography>;
  }
  const { to, says } = waysOut(cause, person, gym);
  return (
    <Box sx={{ py: 1 }}>
      <Typography>
        All are ruled out: {formatOutReason(cause)}. <Link to={to}>{says}</Link>
      </Typography>
      {found.out.slice(0, 3).map((out) => (
        <Box key={out.movement.ref} sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
          <Typography variant="body2">{out.movement.name}</Typography>
          <UseAllTheSame out={out} onUse={onUse} />
        </Box>
      ))}
    </Box>
  );
}

/** The coach's way past a rule: the exercise comes in, and its finding asks for the reason. */
function UseAllTheSame({
  out,
  onUse,
}: {
  readonly out: RuledOut;
  readonly onUse: (candidate: Candidate) => void;
}) {
  const { movement, station } = out;
  if (station === null || !canBeOverruled(out)) return null;
  return (
    <button
      type="button"
      className={plain.smallButton}
      title="Adds it; its finding asks for your reason"
      onClick={() => onUse({ movement, station, score: 0, brings: [] })}
    >
      Use it all the same
    </button>
  );
}

function Filters({
  query,
  judged,
  onChange,
}: {
  readonly query: Query;
  readonly judged: Judged;
  readonly onChange: (to: Partial<Query>) => void;
}) {
  const muscles = useMuscles();
  const used = (Object.keys(ANYTHING) as (keyof Query)[]).filter(
    (k) => k !== "text" && query[k] !== ANYTHING[k],
  ).length;
  return (
    <Disclosure dense summary={`Filters${used === 0 ? "" : `, ${used} on`}`}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr 1fr", md: "repeat(5, 1fr)" },
          gap: 1,
          pb: 1,
        }}
      >
        <Filter
          label="Region"
          value={query.region}
          options={REGIONS}
          names={muscles.row}
          onChange={(region) => onChange({ region })}
        />
        <Filter
          label="Hardest when"
          value={query.length}
          options={MUSCLE_LENGTHS}
          names={LENGTH_NAMES}
          onChange={(length) => onChange({ length })}
        />
        <Filter
          label="Resistance curve"
          value={query.profile}
          options={RESISTANCE_PROFILES}
          names={PROFILE_NAMES}
          onChange={(profile) => onChange({ profile })}
        />
        <Filter
          label="Pattern"
          value={query.pattern}
          options={PATTERNS}
          names={PATTERN_NAMES}
          onChange={(pattern) => onChange({ pattern })}
        />
        <Filter
          label="Joint action"
          value={query.action}
          options={JOINT_ACTIONS}
          names={ACTION_NAMES}
          onChange={(action) => onChange({ action })}
        />
        <Filter
          label="Legs"
          value={query.laterality}
          options={LATERALITIES}
          names={LATERALITY_NAMES}
          onChange={(laterality) => onChange({ laterality })}
        />
        <Filter
          label="Equipment"
          value={query.station}
          options={judged.stations.map((s) => s.id)}
          names={Object.fromEntries(judged.stations.map((s) => [s.id, s.name]))}
          onChange={(station) => onChange({ station })}
        />
        <Filter
          label="Load on spine up to"
          value={query.spinalLoadUpTo === "high" ? null : query.spinalLoadUpTo}
          options={["none", "low", "moderate"] as const}
          names={STRESS_NAMES}
          onChange={(spinalLoadUpTo) => onChange({ spinalLoadUpTo })}
        />
        <Filter
          label="Set-up effort up to"
          value={query.setUpUpTo === "much" ? null : query.setUpUpTo}
          options={["little", "some"] as const}
          names={EFFORT_NAMES}
          onChange={(setUpUpTo) => onChange({ setUpUpTo })}
        />
        <Box component="label" sx={{ display: "flex", gap: 1, alignItems: "end", pb: 1 }}>
          <input
            type="checkbox"
            checked={query.safeAlone}
            onChange={(event) => onChange({ safeAlone: event.target.checked })}
          />
          Safe alone to failure
        </Box>
      </Box>
    </Disclosure>
  );
}

function Filter<T extends string>({
  label,
  value,
  options,
  names,
  onChange,
}: {
  readonly label: string;
  readonly value: T | null;
  readonly options: readonly T[];
  readonly names: Readonly<Record<string, string>>;
  readonly onChange: (value: T | null) => void;
}) {
  return (
    <Box component="label">
      <Typography variant="overline" component="span" sx={{ display: "block" }}>
        {label}
      </Typography>
      <Select
        value={value ?? ""}
        onChange={(event) => onChange(options.find((o) => o === event.target.value) ?? null)}
      >
        <option value="">any</option>
        {options.map((option) => (
          <option key={option} value={option}>
            {names[option] ?? option}
          </option>
        ))}
      </Select>
    </Box>
  );
}
