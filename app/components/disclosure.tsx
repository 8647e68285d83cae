import { useState } from "react";
import plain from "../theme/plain.module.css";

/** Something that is opened when it is wanted; what is inside is not made before. */
export function Disclosure({
  summary,
  children,
  dense = false,
}: {
  readonly summary: React.ReactNode;
  readonly children: React.ReactNode;
  /** Plain text instead of a small heading. */
  readonly dense?: boolean;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <details
      className={dense ? `${plain.opened} ${plain.dense}` : plain.opened}
      onToggle={(event) => {
        // Toggling something within also arrives here.
        if (event.target === event.currentTarget) setOpen(event.currentTarget.open);
      }}
    >
      <summary>{summary}</summary>
      {isOpen ? children : null}
    </details>
  );
}
