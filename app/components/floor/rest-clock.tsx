import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useEffect, useRef, useState } from "react";
import { elapsed, type Moment } from "~/core/log/index.ts";
import { formatClock } from "~/format/numbers.ts";

/** Counts the rest down from when the set was logged, by itself, also across a reload; then counts over. */
export function RestClock({
  from,
  seconds,
  children,
}: {
  readonly from: Moment;
  readonly seconds: number;
  /** What stands between the word and the time: the way back from the set just logged. */
  readonly children?: React.ReactNode;
}) {
  const [now, setNow] = useState<Moment | null>(null);
  const hasBuzzed = useRef(false);
  useEffect(() => {
    const tick = () => setNow({ wall: Date.now(), steady: performance.now() });
    tick();
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, []);
  const left = now === null ? null : Math.ceil(seconds - elapsed(from, now) / 1000);
  const isOver = left !== null && left <= 0;
  useEffect(() => {
    if (!isOver || hasBuzzed.current || left < -2) return;
    hasBuzzed.current = true;
    if ("vibrate" in navigator) navigator.vibrate([180, 80, 180]);
  }, [isOver, left]);
  if (left === null || left < -20 * 60) return null;
  const share = Math.max(0, Math.min(1, left / Math.max(1, seconds)));
  return (
    <Box
      role="timer"
      aria-label={isOver ? "Rest is over" : "Rest"}
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 1.5,
        px: 1.5,
        py: 0.5,
        mb: 1.5,
        position: "sticky",
        top: 0,
        zIndex: 2,
        color: isOver ? "kravo.onSignal" : "kravo.paper",
        backgroundColor: isOver ? "kravo.signal" : "kravo.ink",
      }}
    >
      <Typography variant="overline" component="span">
        {isOver ? "Go: rest is over" : "Rest"}
      </Typography>
      {children}
      <Typography
        variant="figure"
        component="span"
        sx={{ fontSize: "2.6rem", flexGrow: 1, textAlign: "right" }}
      >
        {isOver ? `+${formatClock(-left)}` : formatClock(left)}
      </Typography>
      <Box
        aria-hidden
        sx={{
          position: "absolute",
          left: 0,
          bottom: 0,
          height: 4,
          width: `${share * 100}%`,
          backgroundColor: "kravo.signal",
        }}
      />
    </Box>
  );
}
