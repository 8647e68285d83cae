import { useRef, useState } from "react";

/** Something that is being moved on the calendar, by days; nothing is written until it is confirmed. */
export interface Moving {
  readonly id: string;
  readonly days: number;
}

/** One step of the arrow keys, in days: phases keep their weekday. */
const WEEK = 7;

/**
 * Moves things on a calendar by drag and by arrow keys. Dragging goes by the width of a day; phases snap to weeks.
 * Enter confirms, Escape lets go.
 */
export function useMoving(onConfirm: () => void) {
  const [moving, setMoving] = useState<Moving | null>(null);
  const drag = useRef<{
    readonly x: number;
    readonly perDay: number;
    readonly base: number;
  } | null>(null);

  const by = (id: string, days: number) =>
    setMoving((now) => {
      const next = (now?.id === id ? now.days : 0) + days;
      return next === 0 ? null : { id, days: next };
    });

  /** What an item on the calendar listens to. `step` is its smallest move, in days. */
  const handlers = (id: string, step: number, canMove: boolean) => ({
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key === "Escape") setMoving(null);
      else if (event.key === "Enter" && moving?.id === id) onConfirm();
      else if (canMove && event.key === "ArrowRight") by(id, event.shiftKey ? WEEK : step);
      else if (canMove && event.key === "ArrowLeft") by(id, event.shiftKey ? -WEEK : -step);
      else return;
      event.preventDefault();
    },
    onPointerDown: (event: React.PointerEvent<HTMLElement>) => {
      if (!canMove || event.button !== 0) return;
      const lane = event.currentTarget.parentElement;
      if (lane === null) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = {
        x: event.clientX,
        perDay: lane.getBoundingClientRect().width / 365,
        base: moving?.id === id ? moving.days : 0,
      };
    },
    onPointerMove: (event: React.PointerEvent<HTMLElement>) => {
      const own = drag.current;
      if (own === null) return;
      const days = own.base + Math.round((event.clientX - own.x) / own.perDay / step) * step;
      setMoving((now) => (days === 0 ? (now?.id === id ? null : now) : { id, days }));
    },
    onPointerUp: () => {
      drag.current = null;
    },
  });
  return { moving, handlers, let: () => setMoving(null) };
}
