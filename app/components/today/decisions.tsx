import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { subjectOf, type TodayItem } from "~/core/coach/index.ts";
import { urgencyOf } from "~/core/progress/index.ts";
import {
  formatDone,
  formatNextLoad,
  formatOther,
  formatWaitingName,
  formatWaitingWhy,
} from "~/format/today.ts";
import { useCatalogue } from "../catalogue.ts";
import { Empty } from "../page.tsx";
import { addressOf, deedsOn } from "./deeds.ts";
import { DeedButton, Explained } from "./explained.tsx";
import styles from "./today.module.css";
import type { Deciding } from "./use-deciding.ts";
import { useMuscles } from "../wording.ts";

/** What waits for the coach, the most urgent first, with the selected one explained below and its keys. */
export function Decisions({
  items,
  putOff,
  deciding,
  children,
  aside,
  below,
}: {
  readonly items: readonly TodayItem[];
  /** How many were put off until later. */
  readonly putOff: number;
  readonly deciding: Deciding;
  /** What follows the list, stands beside it, and stands between both and the bar. */
  readonly children: React.ReactNode;
  readonly aside: React.ReactNode;
  readonly below: React.ReactNode;
}) {
  const shown = items.filter((item) => !deciding.gone.has(subjectOf(item)));
  const [at, setAt] = useState(0);
  const [isChanging, setChanging] = useState(false);
  /** On a phone the explanation covers what is below it until somebody asks for it. */
  const [isPicked, setPicked] = useState(false);
  const list = useRef<HTMLUListElement>(null);
  const navigate = useNavigate();
  const index = Math.min(at, shown.length - 1);
  const item = shown[index] ?? null;
  const deeds = item === null ? null : deedsOn(item);
  const { act, undo } = deciding;

  const go = (to: number) => {
    setChanging(false);
    setAt(Math.max(0, Math.min(shown.length - 1, to)));
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    const key = event.key.toLowerCase();
    const way = /^[1-9]$/.test(key) ? deeds?.ways[Number(key) - 1]?.deed : undefined;
    if (key === "j" || event.key === "ArrowDown") go(index + 1);
    else if (key === "k" || event.key === "ArrowUp") go(index - 1);
    else if (key === "u") undo();
    else if (item === null || deeds === null) return;
    else if (key === "a" && deeds.accept !== null) act(deeds.accept);
    else if (key === "l") act(deeds.later);
    else if (key === "c" && deeds.change !== null) setChanging(true);
    else if (key === "o") void navigate(addressOf(item));
    else if (way !== undefined) act(way);
    else return;
    event.preventDefault();
  };
  useEffect(() => {
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  useEffect(() => {
    list.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: "nearest" });
  }, [index]);

  return (
    <>
      <div className={styles.board}>
        <section aria-label="Decide">
          <div className={styles.head}>
            <h2>Decide</h2>
            <span className={styles.keys}>
              {deciding.isSaving
                ? "saving …"
                : shown.length === 0
                  ? ""
                  : "J K move · A accept · C change · L later · U undo"}
            </span>
          </div>
          {shown.length === 0 ? (
            <Empty>
              Nothing waits for you.
              {putOff === 0 ? "" : ` ${putOff} put off.`}
            </Empty>
          ) : (
            <ul ref={list} className={styles.list} role="listbox" aria-label="Decisions">
              {shown.map((own, i) => (
                <Item
                  key={subjectOf(own)}
                  item={own}
                  number={i + 1}
                  isSelected={i === index}
                  onSelect={() => {
                    go(i);
                    setPicked(true);
                  }}
                />
              ))}
            </ul>
          )}
          {children}
          {shown.length === 0 || putOff === 0 ? null : (
            <p className={styles.small}>{putOff} put off.</p>
          )}
        </section>
        {aside}
      </div>
      {below}
      {item === null || deeds === null ? (
        <Done deciding={deciding} />
      ) : (
        <div className={isPicked ? styles.picked : styles.unpicked}>
          <Explained
            key={subjectOf(item)}
            item={item}
            deeds={deeds}
            deciding={deciding}
            isChanging={isChanging}
            onChange={setChanging}
            onClose={() => setPicked(false)}
          />
        </div>
      )}
    </>
  );
}

/** The bar where nothing is left to decide: what was refused, and undo. */
function Done({ deciding }: { readonly deciding: Deciding }) {
  if (deciding.problem === null && !deciding.canUndo) return null;
  return (
    <section className={styles.bar} aria-label="Last decision">
      {deciding.problem === null ? null : (
        <div role="alert" className={styles.problem}>
          ▸ {deciding.problem}
        </div>
      )}
      {deciding.canUndo ? (
        <div className={styles.buttons}>
          <DeedButton onClick={deciding.undo} text="Undo" of="U" />
        </div>
      ) : null}
    </section>
  );
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

/** Above this a reason to wait is no matter of today. */
const SOON = urgencyOf({ kind: "stalled" });

function edgeOf(item: TodayItem): string {
  if (item.of === "line") {
    const urgency = urgencyOf(item.facts.why);
    if (urgency <= urgencyOf({ kind: "failed" })) return `${styles.item} ${styles.urgent}`;
    return urgency <= SOON ? `${styles.item} ${styles.soon}` : styles.item;
  }
  return item.of === "changedSince" ? `${styles.item} ${styles.soon}` : styles.item;
}

function Item({
  item,
  number,
  isSelected,
  onSelect,
}: {
  readonly item: TodayItem;
  readonly number: number;
  readonly isSelected: boolean;
  readonly onSelect: () => void;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  return (
    <li role="option" aria-selected={isSelected} className={edgeOf(item)} onClick={onSelect}>
      <span className={styles.number}>{number}</span>
      <span className={styles.who}>{item.personName}</span>
      {item.of === "line" ? (
        <>
          <span>
            {formatWaitingName(find(item.facts.movement)?.name ?? item.facts.movement, item.facts)}
          </span>
          <span className={styles.figures}>
            {formatDone(item.facts.done)} →{" "}
            <span className={styles.next}>
              {formatNextLoad(item.facts).mark} {formatNextLoad(item.facts).text}
            </span>
          </span>
          <span className={styles.why}>{formatWaitingWhy(item.facts.why, muscles)}</span>
        </>
      ) : (
        <Other item={item} />
      )}
    </li>
  );
}

function Other({ item }: { readonly item: Exclude<TodayItem, { of: "line" }> }) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const { name, next, why } = formatOther(item, find, muscles);
  return (
    <>
      <span>{name}</span>
      <span className={`${styles.figures} ${styles.next}`}>{next}</span>
      <span className={styles.why}>{why}</span>
    </>
  );
}
