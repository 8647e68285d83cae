import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import { Link, useFetcher } from "react-router";
import type { TodayItem, WaitingItem } from "~/core/coach/index.ts";
import { formatExposure } from "~/format/exposure.ts";
import { formatShortDay } from "~/format/numbers.ts";
import { formatStep, formatWay } from "~/format/progression.ts";
import { CONFIDENCE_NAMES, formatReason } from "~/format/reasons.ts";
import { sentence } from "~/format/sentence.ts";
import { formatOther, formatTypedLoad, formatWaitingName } from "~/format/today.ts";
import { formatWarning } from "~/format/warnings.ts";
import type { loader } from "../../routes/session-why.ts";
import { useCatalogue } from "../catalogue.ts";
import { PlainInput } from "../field.tsx";
import { addressOf, type Deeds } from "./deeds.ts";
import styles from "./today.module.css";
import type { Deciding } from "./use-deciding.ts";
import { useMuscles } from "../wording.ts";

/** What the selected decision is, why, and what can be done: the bar at the bottom. */
export function Explained({
  item,
  deeds,
  deciding,
  isChanging,
  onChange,
  onClose,
}: {
  readonly item: TodayItem;
  readonly deeds: Deeds;
  readonly deciding: Deciding;
  readonly isChanging: boolean;
  readonly onChange: (isChanging: boolean) => void;
  /** Puts it away, which only a phone needs. */
  readonly onClose: () => void;
}) {
  const { act } = deciding;
  return (
    <section className={styles.bar} aria-label="Selected decision">
      {deciding.problem === null ? null : (
        <div role="alert" className={styles.problem}>
          ▸ {deciding.problem}
        </div>
      )}
      {item.of === "line" ? (
        <LineExplained item={item} deeds={deeds} act={act} />
      ) : (
        <OtherExplained item={item} />
      )}
      {isChanging && item.of === "line" && deeds.change !== null ? (
        <Change item={item} onDone={() => onChange(false)} deed={deeds.change} act={act} />
      ) : (
        <div className={styles.buttons}>
          {deeds.accept === null ? null : (
            <DeedButton
              onClick={() => deeds.accept && act(deeds.accept)}
              text={deeds.acceptText}
              of="A"
              isFirst
            />
          )}
          {deeds.change === null ? null : (
            <DeedButton onClick={() => onChange(true)} text="Change" of="C" />
          )}
          <DeedButton onClick={() => act(deeds.later)} text="Later" of="L" />
          <Button
            component={Link}
            to={addressOf(item)}
            size="small"
            variant={deeds.accept === null ? "contained" : "outlined"}
          >
            Open<span className={styles.key}>O</span>
          </Button>
          {deciding.canUndo ? <DeedButton onClick={deciding.undo} text="Undo" of="U" /> : null}
          <span className={styles.phoneOnly}>
            <Button size="small" onClick={onClose}>
              Close
            </Button>
          </span>
        </div>
      )}
    </section>
  );
}

/** A button with the key that does the same. */
export function DeedButton({
  onClick,
  text,
  of,
  isFirst = false,
}: {
  readonly onClick: () => void;
  readonly text: string;
  /** The key that does the same. */
  readonly of: string;
  readonly isFirst?: boolean;
}) {
  return (
    <Button
      size="small"
      variant={isFirst ? "contained" : "outlined"}
      onClick={onClick}
      aria-keyshortcuts={of}
    >
      {text}
      <span className={styles.key}>{of}</span>
    </Button>
  );
}

function LineExplained({
  item,
  deeds,
  act,
}: {
  readonly item: WaitingItem;
  readonly deeds: Deeds;
  readonly act: Deciding["act"];
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { facts, sessionLog, personId } = item;
  const fetcher = useFetcher<typeof loader>();
  const { load } = fetcher;
  useEffect(() => {
    void load(`/runs/${sessionLog}/why`);
    // Loaded again where something else is proposed by now.
  }, [load, sessionLog, facts.shown]);
  const told = fetcher.data?.lines.find(({ line }) => line === facts.line) ?? null;
  const name = find(facts.movement)?.name ?? facts.movement;
  return (
    <>
      <div>
        <h2>{item.personName}</h2>
        <div>{formatWaitingName(name, facts)}</div>
        <div className={styles.small}>
          <Link to={`/runs/${sessionLog}`}>
            {item.title}, {formatShortDay(item.day)}
          </Link>{" "}
          · <Link to={`/people/${personId}`}>client</Link>
        </div>
      </div>
      <div>
        <div className={styles.small}>what happened</div>
        {told === null ? (
          <span className={styles.small}>reading the log …</span>
        ) : (
          <>
            {told.record?.now == null ? null : <div>Now {formatExposure(told.record.now)}</div>}
            {told.record?.before == null ? null : (
              <div className={styles.small}>Last {formatExposure(told.record.before)}</div>
            )}
            {told.proposal.because
              .slice(0, 3)
              .map((reason) => formatReason(reason, muscles))
              .map((text) => (
                <div key={text}>{text}</div>
              ))}
          </>
        )}
      </div>
      <div>
        <div className={styles.small}>proposed</div>
        <strong>{formatStep(facts)}</strong>
        {told === null ? null : (
          <div className={styles.small}>{sentence(CONFIDENCE_NAMES[told.proposal.confidence])}</div>
        )}
        {deeds.ways.length === 0 ? null : (
          <ol className={styles.ways} aria-label="Other ways">
            {deeds.ways.map(({ way, deed }, i) => (
              <li key={way.code}>
                <button type="button" onClick={() => act(deed)}>
                  {i + 1} {formatWay(way)}
                </button>
              </li>
            ))}
          </ol>
        )}
        {facts.why.kind === "pain" ? (
          <div className={styles.small}>Lasting or sharp pain is for a qualified professional.</div>
        ) : null}
      </div>
    </>
  );
}

const WHAT_TO_DO: Readonly<Record<Exclude<TodayItem["of"], "line">, string>> = {
  changedSince:
    "Sets came in late or were corrected after the decision. Open it to see what would be proposed now.",
  untrained:
    "Open it to move it to another day, or drop it: it stays in the records as not trained.",
  lighterDue:
    "A lighter week lets fatigue fall; some approaches plan one by how training goes instead. Open the phase to make the week lighter.",
  warning: "Open the client to see it with the others.",
  phaseEnds: "Open it to roll over into the next phase, with the loads that were reached.",
};

function OtherExplained({ item }: { readonly item: Exclude<TodayItem, { of: "line" }> }) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { name, next, why } = formatOther(item, find, muscles);
  // No approach is at hand here; the client's page names it.
  const weeks =
    item.of === "warning" ? formatWarning(item.warning, find, muscles, "the approach") : null;
  return (
    <>
      <div>
        <h2>{item.personName}</h2>
        <div>{name}</div>
        <div className={styles.small}>
          <Link to={`/people/${item.personId}`}>client</Link>
        </div>
      </div>
      <div>
        <div className={styles.small}>what happened</div>
        {weeks?.seen ?? sentence(`${next}, ${why}`)}
      </div>
      <div>
        <div className={styles.small}>what to do</div>
        {weeks?.look ?? WHAT_TO_DO[item.of]}
      </div>
    </>
  );
}

/** Another load, with the reason that is kept with the decision. */
function Change({
  item,
  deed,
  act,
  onDone,
}: {
  readonly item: WaitingItem;
  readonly deed: NonNullable<Deeds["change"]>;
  readonly act: Deciding["act"];
  readonly onDone: () => void;
}) {
  const { facts } = item;
  const [load, setLoad] = useState(formatTypedLoad(facts.from ?? facts.reading));
  const [reason, setReason] = useState("");
  const first = useRef<HTMLInputElement>(null);
  useEffect(() => {
    first.current?.select();
  }, []);
  return (
    <form
      className={styles.change}
      onSubmit={(event) => {
        event.preventDefault();
        act(deed(load, reason));
        onDone();
      }}
      onKeyDown={(event) => {
        if (event.key === "Escape") onDone();
      }}
    >
      <PlainInput
        ref={first}
        aria-label={`Load, ${facts.unit}`}
        value={load}
        inputMode="decimal"
        maxLength={20}
        onChange={(event) => setLoad(event.target.value)}
      />
      <PlainInput
        aria-label="Reason"
        placeholder="Reason, kept with the decision"
        value={reason}
        required
        maxLength={500}
        onChange={(event) => setReason(event.target.value)}
      />
      <div className={styles.buttons}>
        <Button type="submit" size="small" variant="contained">
          Change
        </Button>
        <Button size="small" onClick={onDone}>
          Cancel
        </Button>
      </div>
    </form>
  );
}
