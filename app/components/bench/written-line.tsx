import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { startTransition, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { Link } from "react-router";
import { mintAgain, type MintId } from "~/core/identity/index.ts";
import {
  completionsAt,
  LONGEST_LINE,
  parseLine,
  writeLine,
  type Completion,
  type NotationContext,
  type NotationError,
} from "~/core/notation/index.ts";
import type { PlannedSet } from "~/core/prescription/index.ts";
import { formatNotationError } from "~/format/notation.ts";
import type { ReportInvalid } from "./typed-cell.tsx";
import { useAlive } from "./use-alive.ts";

/** A line that is being typed into. */
interface Begun {
  readonly sets: readonly PlannedSet[];
  readonly again: () => MintId;
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
  mint,
  onSets,
  onInvalid,
}: {
  readonly id: string;
  readonly label: string;
  readonly sets: readonly PlannedSet[];
  readonly context: NotationContext;
  readonly mint: MintId;
  readonly onSets: (sets: readonly PlannedSet[]) => void;
  readonly onInvalid: ReportInvalid;
}) {
  const isAlive = useAlive();
  const input = useRef<HTMLTextAreaElement>(null);
  const shown = writeLine(sets, context);
  /** What the draft has been told, which may be drawn later. */
  const sent = useRef(shown);
  const [text, setText] = useState(shown);
  const [error, setError] = useState<NotationError | null>(null);
  /**
   * The sets as they were when typing began, and the ids of what is new: kept however the text looks
   * meanwhile, so that a letter changes what it means and not what is there.
   */
  const [begun, setBegun] = useState<Begun | null>(null);
  const [offers, setOffers] = useState<readonly Completion[]>([]);
  const [chosen, setChosen] = useState(0);

  useEffect(() => {
    // While a line is typed into, an older drawing of it may still come.
    if (begun === null) sent.current = shown;
    if (begun === null && error === null) setText(shown);
  }, [shown, begun, error]);
  useEffect(() => () => onInvalid(id, null), [id, onInvalid]);

  const type = (next: string, cursor: number) => {
    setText(next);
    setChosen(0);
    const isWordBegun = /[a-z]$/i.test(next.slice(0, cursor));
    setOffers(isWordBegun ? completionsAt(next, cursor).slice(0, 6) : []);
    const read = parseLine(next, begun?.sets ?? sets, context, begun?.again() ?? mint);
    const first = read.ok ? null : (read.error[0] ?? null);
    setError(first);
    onInvalid(id, first === null ? null : `${label}: ${formatNotationError(first)}`);
    if (!read.ok) return;
    const written = writeLine(read.value, context);
    if (written === sent.current) return;
    sent.current = written;
    // What is typed stands at once; what follows from it may wait for the next letter.
    startTransition(() => onSets(read.value));
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
    if (event.key === "Escape" && offer === undefined) input.current?.blur();
    if (offer === undefined) return;
    const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (by !== 0) setChosen((chosen + by + offers.length) % offers.length);
    else if (event.key === "Escape") setOffers([]);
    else if (event.key === "Tab" || event.key === "Enter") take(offer);
    else return;
    event.preventDefault();
  };
  return (
    <Box sx={{ mb: 1, position: "relative" }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography variant="overline" component="label" htmlFor={id} sx={{ flexGrow: 1 }}>
          Written line
        </Typography>
        <Typography variant="body2" component="span">
          <Link to="/writing-sets" target="_blank">
            How to write it
          </Link>
        </Typography>
      </Box>
      <Box
        component="textarea"
        id={id}
        ref={input}
        aria-label={label}
        aria-controls={`${id}-offers`}
        aria-autocomplete="list"
        aria-activedescendant={offers.length > 0 ? `${id}-offer-${chosen}` : undefined}
        aria-invalid={error !== null}
        aria-describedby={error === null ? undefined : `${id}-error`}
        rows={Math.min(6, Math.max(1, Math.ceil(text.length / 84)))}
        maxLength={LONGEST_LINE}
        spellCheck={false}
        autoCapitalize="off"
        autoCorrect="off"
        placeholder="3 x 8-12 at 60 leave 2 rest 2:00"
        value={text}
        readOnly={!isAlive}
        onFocus={() => setBegun({ sets, again: mintAgain(mint) })}
        onBlur={() => {
          setBegun(null);
          setOffers([]);
        }}
        onKeyDown={onKeyDown}
        onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) =>
          type(event.target.value, event.target.selectionStart)
        }
        sx={LINE}
      />
      <Box
        component="ul"
        id={`${id}-offers`}
        role="listbox"
        aria-label="Words that fit here"
        hidden={offers.length === 0}
        sx={OFFERS}
      >
        {offers.map((offer, i) => (
          <Box
            component="li"
            key={offer.text}
            id={`${id}-offer-${i}`}
            role="option"
            aria-selected={i === chosen}
            onMouseDown={(event: React.MouseEvent) => {
              event.preventDefault();
              take(offer);
            }}
          >
            {offer.text}
          </Box>
        ))}
      </Box>
      {error === null || offers.length > 0 ? null : (
        <ErrorAt id={`${id}-error`} text={text} error={error} />
      )}
    </Box>
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
    <Box id={id} role="alert" sx={{ color: "kravo.signal", mt: 0.5 }}>
      <Typography variant="body2" sx={{ fontWeight: 650 }}>
        ▸ {formatNotationError(error)}
      </Typography>
      <Typography variant="body2" component="div" sx={{ color: "text.secondary" }}>
        {from > 0 ? "…" : ""}
        {text.slice(from, error.at)}
        <Box
          component="mark"
          sx={{
            color: "kravo.signal",
            background: "none",
            fontWeight: 700,
            textDecoration: "underline wavy",
          }}
        >
          {text.slice(error.at, end) === "" ? "▁" : text.slice(error.at, end)}
        </Box>
        {text.slice(end, end + 24)}
      </Typography>
    </Box>
  );
}

const LINE = {
  display: "block",
  width: "100%",
  boxSizing: "border-box",
  resize: "none",
  px: 1.25,
  py: 0.75,
  border: 1,
  borderColor: "kravo.edge",
  borderLeft: 4,
  borderRadius: "2px",
  backgroundColor: "kravo.sheet",
  color: "text.primary",
  font: "inherit",
  fontVariantNumeric: "tabular-nums",
  fontWeight: 600,
  lineHeight: 1.5,
  "&[aria-invalid='true']": { borderColor: "kravo.signal" },
} as const;

const OFFERS = {
  position: "absolute",
  zIndex: 3,
  m: 0,
  p: 0,
  minWidth: 180,
  listStyle: "none",
  border: 1,
  borderColor: "kravo.ink",
  backgroundColor: "kravo.sheet",
  "& li": { px: 1.25, py: 0.75, cursor: "pointer" },
  "& li[aria-selected='true']": { backgroundColor: "kravo.ink", color: "kravo.paper" },
} as const;
