import { startTransition, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { Link } from "react-router";
import { sameIdsAgain, type NewId } from "~/core/kernel/index.ts";
import {
  completionsAt,
  LONGEST_LINE,
  parseLine,
  RIR_SAID,
  saidIn,
  writeLine,
  type Completion,
  type NotationContext,
  type NotationError,
} from "~/core/plan/notation/index.ts";
import type { PlannedSet } from "~/core/plan/index.ts";
import { formatNotationError } from "~/format/notation.ts";
import { OwnForm } from "./own-form.tsx";
import type { ReportInvalid } from "./typed-cell.tsx";
import { isUndo, useAfterUndo } from "./use-after-undo.ts";
import { useAlive } from "./use-alive.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** A line that is being typed into. */
interface Begun {
  readonly sets: readonly PlannedSet[];
  readonly again: () => NewId;
}

/**
 * The sets of an exercise as one line to type. Every text that can be read becomes the sets at once; one that
 * cannot stays as typed, with the place and what was expected there, and the sets stay as they were.
 */
export function WrittenLine({
  id,
  label,
  sets,
  context,
  newId,
  onSets,
  onInvalid,
  isTaught = false,
}: {
  readonly id: string;
  readonly label: string;
  readonly sets: readonly PlannedSet[];
  readonly context: NotationContext;
  readonly newId: NewId;
  readonly onSets: (sets: readonly PlannedSet[]) => void;
  readonly onInvalid: ReportInvalid;
  /** On the page that teaches the line, which needs no link to itself. */
  readonly isTaught?: boolean;
}) {
  const isAlive = useAlive();
  const input = useRef<HTMLTextAreaElement>(null);
  /** The text while it is typed, or as long as it cannot be read. */
  const [typed, setTyped] = useState<string | null>(null);
  /** What was typed stands in the line also where it says what is usual. */
  const [said, setSaid] = useState(RIR_SAID);
  const written = writeLine(sets, context, said);
  const text = typed ?? written;
  /** What was last typed, which keeps its room when it is written out: else a press just then would miss. */
  const [room, setRoom] = useState("");
  const [error, setError] = useState<NotationError | null>(null);
  /**
   * The sets as they were when typing began, and the ids of what is new: kept however the text looks
   * meanwhile, so that a letter changes what it means and not what is there.
   */
  const [begun, setBegun] = useState<Begun | null>(null);
  const [offers, setOffers] = useState<readonly Completion[]>([]);
  const [chosen, setChosen] = useState(0);

  useEffect(() => () => onInvalid(id, null), [id, onInvalid]);

  const forget = () => {
    setTyped(null);
    setError(null);
    setOffers([]);
    onInvalid(id, null);
    setBegun((now) => now && { sets, again: sameIdsAgain(newId) });
  };
  useAfterUndo(forget);

  const type = (next: string, cursor: number) => {
    setTyped(next);
    setRoom(next);
    setChosen(0);
    const isWordBegun = /[a-z]$/i.test(next.slice(0, cursor));
    setOffers(isWordBegun ? completionsAt(next, cursor).slice(0, 6) : []);
    const read = parseLine(next, begun?.sets ?? sets, context, begun?.again() ?? newId);
    const first = read.ok ? null : (read.error[0] ?? null);
    setError(first);
    onInvalid(id, first === null ? null : `${label}: ${formatNotationError(first)}`);
    // What is typed stands at once; what follows from it may wait for the next letter.
    if (read.ok) startTransition(() => onSets(read.value));
  };
  const take = (offer: Completion) => {
    const at = input.current?.selectionStart ?? text.length;
    const before = `${text.slice(0, offer.from)}${offer.text} `;
    flushSync(() => type(before + text.slice(at).replace(/^ /, ""), before.length));
    // Before the next letter can come: a later frame would put the cursor back into what was typed since.
    input.current?.setSelectionRange(before.length, before.length);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const offer = offers[chosen];
    if (event.key === "Enter" && !event.shiftKey && offer === undefined) event.preventDefault();
    // What cannot be read is no part of the session yet: undoing takes that back first.
    if (isUndo(event) && error !== null) {
      forget();
      event.preventDefault();
    }
    if (offer === undefined) return;
    const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (by !== 0) setChosen((chosen + by + offers.length) % offers.length);
    else if (event.key === "Escape") setOffers([]);
    else if (event.key === "Tab" || event.key === "Enter") take(offer);
    else return;
    event.preventDefault();
  };
  return (
    <div className={bench.writtenLine}>
      {isTaught ? (
        <label className={plain.smallHeading} htmlFor={id}>
          Written line
        </label>
      ) : (
        <Link className={bench.howTo} to="/writing-sets" target="_blank">
          How to write it
        </Link>
      )}
      <OwnForm className={bench.lineField} data-typed={room} data-written={written}>
        <textarea
          id={id}
          ref={input}
          aria-label={label}
          aria-controls={`${id}-offers`}
          aria-autocomplete="list"
          aria-activedescendant={offers.length > 0 ? `${id}-offer-${chosen}` : undefined}
          aria-invalid={error !== null}
          aria-describedby={error === null ? undefined : `${id}-error`}
          rows={1}
          maxLength={LONGEST_LINE}
          spellCheck={false}
          autoCapitalize="off"
          autoCorrect="off"
          placeholder="3 x 8-12 at 60 RIR 2 rest 2:00"
          value={text}
          readOnly={!isAlive}
          onFocus={() => {
            setBegun({ sets, again: sameIdsAgain(newId) });
            if (typed === null) setRoom("");
          }}
          onBlur={() => {
            setBegun(null);
            setOffers([]);
            if (error !== null || typed === null) return;
            setSaid(new Set([...RIR_SAID, ...saidIn(typed, context, newId)]));
            startTransition(() => setTyped(null));
          }}
          onKeyDown={onKeyDown}
          onChange={(event) => type(event.target.value, event.target.selectionStart)}
        />
      </OwnForm>
      <ul
        id={`${id}-offers`}
        role="listbox"
        aria-label="Words that fit here"
        hidden={offers.length === 0}
      >
        {offers.map((offer, i) => (
          <li
            key={offer.text}
            id={`${id}-offer-${i}`}
            role="option"
            aria-selected={i === chosen}
            onMouseDown={(event) => {
              event.preventDefault();
              take(offer);
            }}
          >
            {offer.text}
          </li>
        ))}
      </ul>
      {error === null || offers.length > 0 ? null : (
        <ErrorAt id={`${id}-error`} text={text} error={error} />
      )}
    </div>
  );
}

/** The line around the place that is wrong, the place marked, and what was expected there. */
function ErrorAt({
  id,
  text,
  error,
}: {
  readonly id: string;
  readonly text: string;
  readonly error: NotationError;
}) {
  const from = Math.max(0, error.at - 24);
  const end = error.at + Math.max(1, error.length);
  return (
    <div id={id} role="alert" className={bench.errorAt}>
      <p className={plain.text}>▸ {formatNotationError(error)}</p>
      <div className={`${plain.text} ${plain.soft}`}>
        {from > 0 ? "…" : ""}
        {text.slice(from, error.at)}
        <mark>{text.slice(error.at, end) === "" ? "▁" : text.slice(error.at, end)}</mark>
        {text.slice(end, end + 24)}
      </div>
    </div>
  );
}
