import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useFetcher } from "react-router";
import type { DecideAction } from "~/codec/decide.ts";

/** Whose clients Today shows; kept for whoever is signed in. Those who are nobody's are everybody's. */
export function Whose({ isMine }: { readonly isMine: boolean }) {
  const fetcher = useFetcher();
  const asked = fetcher.json as DecideAction | undefined;
  const shown = asked?.intent === "show" ? asked.isMine : isMine;
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      aria-label="Whose clients"
      value={shown ? "mine" : "all"}
      onChange={(_, value: "mine" | "all" | null) => {
        if (value === null) return;
        const show: DecideAction = { intent: "show", isMine: value === "mine" };
        void fetcher.submit(JSON.stringify(show), {
          method: "post",
          action: "/decide",
          encType: "application/json",
        });
      }}
    >
      <ToggleButton value="all">All clients</ToggleButton>
      <ToggleButton value="mine">Mine</ToggleButton>
    </ToggleButtonGroup>
  );
}
