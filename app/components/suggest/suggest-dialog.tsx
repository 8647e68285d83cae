import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useEffect, useMemo, useState } from "react";
import { newId } from "~/codec/new-id.ts";
import {
  assess,
  hardSetsOf,
  judgingIn,
  toldOnce,
  type CoachingContext,
} from "~/core/coach/index.ts";
import { withRamps, type Picked } from "~/core/coach/suggest/index.ts";
import { minutes, type Day, type Id, type Minutes } from "~/core/kernel/index.ts";
import { applyEdit, findSlot, type SessionPlan } from "~/core/plan/index.ts";
import { formatTold, SEVERITY_NAMES } from "~/format/findings.ts";
import { formatMinutes, plural } from "~/format/numbers.ts";
import { formatQuality } from "~/format/suggesting.ts";
import { useCatalogue } from "../catalogue.ts";
import { PlainInput, Select } from "../field.tsx";
import { useMuscles } from "../wording.ts";
import { PickedRow } from "./picked-row.tsx";
import { useSuggestion } from "./use-suggestion.ts";
import plain from "../../theme/plain.module.css";
import styles from "./suggest.module.css";

/** A day that a session is suggested for. */
export interface DayToSuggest {
  readonly day: Day;
  readonly gym: Id<"gym">;
  /** What its session holds already, and keeps. */
  readonly plan: SessionPlan;
  /** "Monday"; empty where it is the only one. */
  readonly name: string;
}

/** A pick with the place of its day, and by what it is told from every other. */
interface PickedOn {
  readonly picked: Picked;
  readonly at: number;
  readonly key: string;
}

/** Where nobody says how long there is, in minutes. */
const USUAL_MINUTES = 60;
const LEAST_MINUTES = 10;
const MOST_MINUTES = 240;
/** As many as a session holds; fewer for somebody who begins. Source: our rule, docs/suggesting.md. */
const MOST_EXERCISES = 8;
const MOST_FOR_BEGINNERS = 5;

/**
 * Sessions for the days of a week, suggested at once and bettered for two seconds: each exercise with its reason, kept
 * by a tick, exchanged for another, and the others replaced.
 */
export function SuggestDialog({
  title,
  context,
  days,
  onUse,
  onClose,
}: {
  readonly title: string;
  readonly context: CoachingContext;
  readonly days: readonly [DayToSuggest, ...DayToSuggest[]];
  /** The sessions as they are taken, in the order of the days, and what of each was suggested. */
  readonly onUse: (plans: readonly SessionPlan[], taken: readonly (readonly Picked[])[]) => void;
  readonly onClose: () => void;
}) {
  const catalogue = useCatalogue();
  const muscles = useMuscles();
  const isNarrow = useMediaQuery("(max-width:700px)");
  const { suggestion, hasFailed, ask, take } = useSuggestion();
  const most = context.brief.level === "beginner" ? MOST_FOR_BEGINNERS : MOST_EXERCISES;
  const [typed, setTyped] = useState(String(context.brief.minutesCap ?? USUAL_MINUTES));
  const [mostExercises, setMostExercises] = useState(most);
  // Of every day together: an exercise is told from another day's by its day. What was left out once stays so.
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const time = minutesIn(typed);

  const askFor = (kept: readonly PickedOn[]) => {
    if (time === null) return;
    const asked = days.map(({ day, gym, plan }, at) => ({
      day,
      gym,
      plan,
      minutes: time,
      mostExercises,
      kept: kept.flatMap((own) =>
        own.at === at ? [[own.picked.key, own.picked.sets] as const] : [],
      ),
      passedOver: ofDay(leftOut, at),
    }));
    const [first, ...others] = asked;
    if (first === undefined) return;
    ask({ context, movements: catalogue.all, days: [first, ...others] });
  };
  // Once, for what the dialog was opened with, and anew where the time or the number is another.
  useEffect(() => {
    askFor([]);
  }, [time, mostExercises]);

  const picks = (suggestion?.days ?? []).flatMap((day, at) =>
    day.picks.map((picked): PickedOn => ({ picked, at, key: keyOf(at, picked) })),
  );
  const ticked = picks.filter(({ key }) => !leftOut.has(key));
  const sessions = useMemo(
    () =>
      (suggestion?.days ?? []).flatMap((day, at) => {
        const asked = days[at];
        if (asked === undefined) return [];
        const judging = judgingIn(asked.gym, { ...context, day: asked.day }, catalogue);
        const out = day.picks.filter((picked) => leftOut.has(keyOf(at, picked)));
        const left = day.picks.filter((picked) => !out.includes(picked));
        const without = out.reduce(
          (now, { slot }) => applyEdit(now, { kind: "removeSlot", slot }),
          day.plan,
        );
        // What was left out warms nothing up for what comes after it.
        const slots = new Set(left.map(({ slot }) => slot));
        const plan = out.length === 0 ? day.plan : withRamps(without, slots, judging, newId);
        return [{ asked, day, stations: judging.stations, plan, ...assess(plan, judging) }];
      }),
    [suggestion, leftOut, days, context, catalogue],
  );
  const isNothing = suggestion !== null && picks.length === 0;
  return (
    <Dialog
      open
      onClose={onClose}
      fullWidth
      maxWidth="md"
      fullScreen={isNarrow}
      aria-labelledby="suggest"
    >
      <DialogTitle id="suggest">{title}</DialogTitle>
      <DialogContent>
        <div className={styles.head}>
          <label>
            {days.length > 1 ? "Minutes each" : "Minutes"}
            <span className={styles.minutes}>
              <PlainInput
                value={typed}
                inputMode="numeric"
                aria-invalid={time === null}
                onChange={(event) => setTyped(event.target.value)}
              />
            </span>
          </label>
          <label>
            Exercises
            <Select
              value={mostExercises}
              onChange={(event) => setMostExercises(Number(event.target.value))}
            >
              {Array.from({ length: most }, (_, i) => most - i).map((n) => (
                <option key={n} value={n}>
                  {n === most ? `As many as fit, up to ${n}` : n === 1 ? "One" : `Up to ${n}`}
                </option>
              ))}
            </Select>
          </label>
          <p className={styles.quality} role="status">
            {hasFailed
              ? "Nothing can be suggested in this browser: its worker did not start."
              : time === null
                ? `Expected ${LEAST_MINUTES} to ${MOST_MINUTES} minutes.`
                : suggestion === null
                  ? "Looking …"
                  : formatQuality(suggestion.quality)}
          </p>
        </div>
        {isNothing ? (
          <p className={styles.note}>
            Nothing fits: every exercise that this gym has is ruled out by the brief or takes longer
            than there is time. Give it more minutes, or look in the search for what rules them out.
          </p>
        ) : null}
        {sessions.map(({ asked, day, stations, duration, judged, findings }, at) => (
          <section key={asked.day} className={styles.day} aria-label={asked.name || "Session"}>
            <div className={styles.dayHead}>
              {asked.name === "" ? null : <h3>{asked.name}</h3>}
              <p>
                {formatMinutes(duration.likely)} · {plural(hardSetsOf(judged), "hard set")}
              </p>
            </div>
            <ul className={styles.list}>
              {day.picks.map((picked) => {
                const slot = findSlot(day.plan, picked.slot);
                const key = keyOf(at, picked);
                return slot === null ? null : (
                  <PickedRow
                    key={key}
                    picked={picked}
                    slot={slot}
                    stations={stations}
                    isKept={!leftOut.has(key)}
                    onKeep={(isKept) =>
                      setLeftOut((now) => new Set(isKept ? others(now, key) : [...now, key]))
                    }
                    onExchange={take}
                  />
                );
              })}
            </ul>
            {days.length > 1 ? null : (
              <ul className={styles.found} aria-label="Findings">
                {toldOnce(findings).map((told) => (
                  <li key={told[0].key}>
                    <strong>{SEVERITY_NAMES[told[0].severity]}.</strong>{" "}
                    {formatTold(told, context.approach.name, catalogue.find, muscles)}
                  </li>
                ))}
                {findings.length === 0 ? <li className={plain.soft}>No findings.</li> : null}
              </ul>
            )}
          </section>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button
          variant="outlined"
          disabled={ticked.length === picks.length}
          onClick={() => askFor(ticked)}
        >
          Replace the unticked
        </Button>
        <Button
          variant="contained"
          disabled={ticked.length === 0}
          onClick={() =>
            onUse(
              sessions.map(({ plan }) => plan),
              days.map((_, at) => ticked.flatMap((own) => (own.at === at ? [own.picked] : []))),
            )
          }
        >
          {ticked.length === picks.length ? "Use all" : `Use ${ticked.length}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Whole minutes within what is suggested for; null for anything else. */
function minutesIn(text: string): Minutes | null {
  const n = /^\d{1,3}$/.test(text.trim()) ? Number(text) : 0;
  return n >= LEAST_MINUTES && n <= MOST_MINUTES ? minutes(n) : null;
}

const keyOf = (day: number, { key }: Picked) => `${day} ${key}`;

const ofDay = (keys: ReadonlySet<string>, day: number) =>
  [...keys].flatMap((key) => (key.startsWith(`${day} `) ? [key.slice(`${day} `.length)] : []));

const others = (keys: ReadonlySet<string>, key: string) => [...keys].filter((own) => own !== key);
