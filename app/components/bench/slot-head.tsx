import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { steady } from "../steady.ts";

/** Which exercise it is, and what can be done with it as a whole. */
export const SlotHead = steady(function SlotHead({
  name,
  number,
  about,
  onMove,
  onSwap,
  onRemove,
}: {
  readonly name: string;
  readonly number: number;
  /** Station, how its readings are meant, and how long it takes. */
  readonly about: string;
  readonly onMove: (by: -1 | 1) => void;
  /** Opens the substitutes, where there are any to choose from. */
  readonly onSwap?: () => void;
  readonly onRemove: () => void;
}) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", gap: 1.5, mb: 0.5 }}>
      <Typography variant="h2">
        <Box component="span" sx={{ color: "text.secondary", mr: 1 }}>
          {number}
        </Box>
        {name}
      </Typography>
      <Typography variant="body2" sx={{ color: "text.secondary", flexGrow: 1 }}>
        {about}
      </Typography>
      <Box sx={{ display: "flex" }}>
        <Button size="small" onClick={() => onMove(-1)} aria-label={`Move ${name} up`}>
          ↑
        </Button>
        <Button size="small" onClick={() => onMove(1)} aria-label={`Move ${name} down`}>
          ↓
        </Button>
        {onSwap === undefined ? null : (
          <Button size="small" onClick={onSwap} aria-label={`Swap ${name}`}>
            Swap
          </Button>
        )}
        <Button size="small" onClick={onRemove} aria-label={`Remove ${name}`}>
          Remove
        </Button>
      </Box>
    </Box>
  );
});

/** What was done last time, and what that says of strength. */
export const LastTime = steady(function LastTime({
  last,
  strength,
}: {
  readonly last: string;
  readonly strength: string | null;
}) {
  return (
    <Typography variant="body2" sx={{ mb: 1 }}>
      <Box component="span" sx={{ color: "text.secondary" }}>
        Last time:{" "}
      </Box>
      {last}
      {strength === null ? null : (
        <Box component="span" sx={{ color: "text.secondary" }}>
          {" "}
          · {strength}
        </Box>
      )}
    </Typography>
  );
});
