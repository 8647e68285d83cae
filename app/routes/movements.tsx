import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { SHIPPED_MOVEMENTS } from "~/core/movement/catalogue/index.ts";
import { PATTERNS } from "~/core/kernel/index.ts";
import type { FindMovement, Movement } from "~/core/movement/index.ts";
import { matchesText } from "~/core/coach/search/index.ts";
import { LENGTH_NAMES, PATTERN_NAMES, PROFILE_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { PlainInput } from "../components/field.tsx";
import { MovementFacts } from "../components/movement-facts.tsx";
import { Empty, Page, Tag } from "../components/page.tsx";
import { useMuscles } from "../components/wording.ts";
import { formatDirectRegions } from "~/format/muscles.ts";

export default function Movements() {
  const { all, find } = useCatalogue();
  const [text, setText] = useState("");
  const found = useMemo(() => all.filter((m) => matchesText(m, text)), [all, text]);
  const groups = PATTERNS.map((pattern) => ({
    pattern,
    movements: found.filter((m) => m.pattern === pattern),
  })).filter((group) => group.movements.length > 0);
  const own = all.length - SHIPPED_MOVEMENTS.length;
  return (
    <Page
      title="Exercises"
      lead={`${SHIPPED_MOVEMENTS.length} built in${own === 0 ? "" : `, ${own} of your own`}. General caution, not medical advice.`}
      actions={
        <Button component={Link} to="/movements/new" variant="contained">
          Add an exercise
        </Button>
      }
    >
      <Box sx={{ maxWidth: 520, mb: 2 }}>
        <PlainInput
          type="search"
          aria-label="Search exercises"
          placeholder="Name, muscle or pattern"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </Box>
      {groups.length === 0 ? <Empty>No exercise matches all of these words.</Empty> : null}
      {groups.map(({ pattern, movements }) => (
        <Box component="section" key={pattern} aria-label={PATTERN_NAMES[pattern]} sx={{ mb: 3 }}>
          <Typography
            variant="h2"
            sx={{ borderBottom: 2, borderColor: "kravo.ink", pb: 0.25, mb: 0 }}
          >
            {PATTERN_NAMES[pattern]}{" "}
            <Box component="span" sx={{ color: "text.secondary" }}>
              {movements.length}
            </Box>
          </Typography>
          {movements.map((movement) => (
            <Row key={movement.ref} movement={movement} find={find} />
          ))}
        </Box>
      ))}
    </Page>
  );
}

/** A movement as a line; its facts are drawn when it is opened. */
function Row({ movement, find }: { readonly movement: Movement; readonly find: FindMovement }) {
  const muscles = useMuscles();
  const [isOpen, setOpen] = useState(false);
  const isOwn = movement.ref.startsWith("studio:");
  return (
    <Box
      component="details"
      onToggle={(event) => setOpen(event.currentTarget.open)}
      sx={{
        borderBottom: 1,
        borderColor: "divider",
        "&[open]": { backgroundColor: "kravo.sheet" },
      }}
    >
      <Box
        component="summary"
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr", md: "minmax(0,4fr) minmax(0,4fr) minmax(0,4fr)" },
          columnGap: 2,
          py: 0.75,
          px: 1,
          cursor: "pointer",
          alignItems: "baseline",
        }}
      >
        <Typography component="h3" sx={{ fontWeight: 650 }}>
          {movement.name} {isOwn ? <Tag>ours</Tag> : null}
        </Typography>
        <Typography component="span" variant="body2">
          {formatDirectRegions(movement, muscles)}
        </Typography>
        <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
          {LENGTH_NAMES[movement.length]}, {PROFILE_NAMES[movement.profile]}
        </Typography>
      </Box>
      {isOpen ? (
        <>
          <MovementFacts movement={movement} find={find} />
          <Box sx={{ px: 1, pb: 1.5, display: "flex", gap: 1 }}>
            {isOwn ? (
              <Button component={Link} size="small" to={`/movements/${movement.ref.slice(7)}`}>
                Change it
              </Button>
            ) : null}
            <Button component={Link} size="small" to={`/movements/${movement.ref}/set-up`}>
              Add to its set-up
            </Button>
            <Button component={Link} size="small" to={`/movements/new?from=${movement.ref}`}>
              Write one of your own from it
            </Button>
          </Box>
        </>
      ) : null}
    </Box>
  );
}
