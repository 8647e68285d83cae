import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect, useState } from "react";
import { isTextField } from "./use-bench-keys.ts";
import bench from "./bench.module.css";

/** What each key does in the editor, in the order in which a session is written. */
const KEYS: readonly (readonly [keys: string, does: string])[] = [
  ["/", "Search for an exercise"],
  ["↑ ↓", "Choose one of those found"],
  ["Enter", "Add it; on an exercise: open it"],
  ["Ctrl Enter", "Add it and write its sets"],
  ["Tab", "Go from exercise to exercise"],
  ["Esc", "Close the exercise"],
  ["Alt ↑ ↓", "Move the exercise"],
  ["Alt J", "Superset it with the one before"],
  ["Alt S", "Swap it"],
  ["Alt Delete", "Remove it"],
  ["Ctrl Z", "Undo a word, a cell or a press"],
  ["Ctrl Shift Z", "Redo"],
  ["Ctrl S", "Save"],
  ["?", "Show this list"],
];

/** The keys of the editor, opened by a press or by a question mark. */
export function Shortcuts() {
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "?" || isTextField(event.target)) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <>
      <Button
        onClick={() => setOpen(true)}
        title="?"
        sx={{ display: { xs: "none", md: "inline-flex" } }}
      >
        Shortcuts
      </Button>
      <Dialog open={isOpen} onClose={() => setOpen(false)} aria-labelledby="shortcuts">
        <DialogTitle id="shortcuts">Shortcuts</DialogTitle>
        <DialogContent>
          <dl className={bench.keys}>
            {KEYS.map(([keys, does]) => (
              <div key={keys}>
                <dt>
                  <kbd>{keys}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)} variant="contained">
            Close
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
