import { useEffect, useState } from "react";
import { flushSync } from "react-dom";
import plain from "../../theme/plain.module.css";
import { SessionSheet } from "./session-sheet.tsx";

type Sheet = Parameters<typeof SessionSheet>[0];

/** What the editor prints: the sheet of the session as it stands, saved or not. It is made when somebody prints. */
export function PrintedSession({ sheet }: { readonly sheet: () => Sheet }) {
  const [isPrinting, setPrinting] = useState(false);
  useEffect(() => {
    // The browser takes what stands there right after this event.
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    window.addEventListener("beforeprint", begin);
    window.addEventListener("afterprint", end);
    return () => {
      window.removeEventListener("beforeprint", begin);
      window.removeEventListener("afterprint", end);
    };
  }, []);
  return isPrinting ? (
    <div className={plain.printed}>
      <SessionSheet {...sheet()} />
    </div>
  ) : null;
}
