import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { slotsOf, type SessionPlan } from "~/core/plan/index.ts";
import { useCatalogue } from "../catalogue.ts";
import { formatSlot } from "~/format/plan.ts";

interface PlanConflictProps {
  readonly revision: number;
  readonly theirs: SessionPlan;
  readonly mine: SessionPlan;
  readonly onKeepMine: () => void;
  readonly onTakeTheirs: () => void;
}

/** Both versions of a plan that two people saved, side by side; neither is lost by choosing. */
export function PlanConflict(props: PlanConflictProps) {
  return (
    <Box role="alert" sx={{ border: 2, borderColor: "kravo.warn", p: 2, mb: 3 }}>
      <Typography variant="h3">
        Someone else saved revision {props.revision} in the meantime
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: { md: "1fr 1fr" }, gap: 3, my: 1.5 }}>
        <Lines title="Theirs" plan={props.theirs} />
        <Lines title="Yours, on this screen" plan={props.mine} />
      </Box>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="contained" onClick={props.onKeepMine}>
          Save mine as the next revision
        </Button>
        <Button variant="outlined" onClick={props.onTakeTheirs}>
          Use theirs (undo brings mine back)
        </Button>
      </Box>
    </Box>
  );
}

function Lines({ title, plan }: { readonly title: string; readonly plan: SessionPlan }) {
  const { find } = useCatalogue();
  return (
    <div>
      <Typography variant="overline">{title}</Typography>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {slotsOf(plan).map((slot) => (
          <li key={slot.id}>{formatSlot(slot, find)}</li>
        ))}
      </Box>
    </div>
  );
}
