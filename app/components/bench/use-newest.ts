import { useCallback, useEffect, useRef, useState } from "react";

/** What comes before anything is done elsewhere; not every browser gives the focus to what is pressed. */
const SETTLING = ["focusin", "focusout"] as const;

/**
 * A state that is known at once, also where its drawing may wait: what changes it or acts on it is made of
 * `newest`. Whoever goes on to another cell or button finds everything drawn.
 */
export function useNewest<T>(initial: T) {
  const [drawn, draw] = useState(initial);
  const now = useRef(drawn);
  const newest = useCallback(() => now.current, []);
  const put = useCallback((to: T) => {
    now.current = to;
    draw(() => to);
  }, []);
  useEffect(() => {
    const settle = () => draw(() => now.current);
    for (const event of SETTLING) document.addEventListener(event, settle);
    return () => {
      for (const event of SETTLING) document.removeEventListener(event, settle);
    };
  }, []);
  return { drawn, newest, put };
}
