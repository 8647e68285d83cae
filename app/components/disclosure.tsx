import Box from "@mui/material/Box";
import { useState } from "react";

/** Something that is opened when it is wanted; what is inside is not made before. */
export function Disclosure({
  summary,
  children,
  dense = false,
  ...place
}: {
  readonly summary: React.ReactNode;
  readonly children: React.ReactNode;
  /** Plain text instead of a small heading. */
  readonly dense?: boolean;
  readonly mt?: number;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Box
      component="details"
      sx={{ mt: place.mt ?? 1 }}
      onToggle={(event: React.ToggleEvent<HTMLDetailsElement>) => {
        // Toggling something within also arrives here.
        if (event.target === event.currentTarget) setOpen(event.currentTarget.open);
      }}
    >
      <Box component="summary" sx={{ cursor: "pointer", fontWeight: dense ? 400 : 650, py: 0.5 }}>
        {summary}
      </Box>
      {isOpen ? children : null}
    </Box>
  );
}
