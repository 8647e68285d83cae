import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { SHIPPED_MOVEMENTS } from "~/core/movement/catalogue/index.ts";
import { LOADING_KINDS } from "~/core/gym/index.ts";
import { PATTERNS, REGIONS } from "~/core/kernel/index.ts";
import { directRegions, type FindMovement, type Movement } from "~/core/movement/index.ts";
import { LEVELS } from "~/core/person/index.ts";
import { matchesText } from "~/core/coach/search/index.ts";
import { LOADING_NAMES } from "~/format/station.ts";
import { LEVEL_NAMES, PATTERN_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { PlainInput, Select } from "../components/field.tsx";
import { MovementFacts } from "../components/movement-facts.tsx";
import { Empty, Page, Tag } from "../components/page.tsx";
import { useMuscles } from "../components/wording.ts";
import { formatDirectRegions } from "~/format/muscles.ts";

/** Name, muscles, equipment, level: the lists above are as wide as what they filter. */
const COLUMNS = "minmax(0,4fr) minmax(0,3fr) minmax(0,4fr) minmax(0,1.6fr)";

export default function Movements() {
  const { all, find } = useCatalogue();
  const muscles = useMuscles();
  const [text, setText] = useState("");
  const [muscle, setMuscle] = useState("");
  const [loading, setLoading] = useState("");
  const [level, setLevel] = useState("");
  const found = useMemo(
    () =>
      all.filter(
        (m) =>
          matchesText(m, text) &&
          (muscle === "" || directRegions(m).some((own) => own === muscle)) &&
          (loading === "" || m.loadings.some((own) => own === loading)) &&
          (level === "" || m.difficulty === level),
      ),
    [all, text, muscle, loading, level],
  );
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
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr 1fr", md: COLUMNS },
          gap: 2,
          mb: 2,
          "& > :first-of-type": { gridColumn: { xs: "1 / -1", md: "auto" } },
        }}
      >
        <PlainInput
          type="search"
          aria-label="Search exercises"
          placeholder="Name, muscle or pattern"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Filter
          label="Muscle"
          all="Any muscle"
          value={muscle}
          onChange={setMuscle}
          options={REGIONS.map((region) => [region, muscles.row[region]])}
        />
        <Filter
          label="Equipment"
          all="Any equipment"
          value={loading}
          onChange={setLoading}
          options={LOADING_KINDS.map((kind) => [kind, LOADING_NAMES[kind]])}
        />
        <Filter
          label="Level"
          all="Any level"
          value={level}
          onChange={setLevel}
          options={LEVELS.map((own) => [own, LEVEL_NAMES[own]])}
        />
      </Box>
      {groups.length === 0 ? (
        <Empty>No exercise matches all of this. Take out a word or a filter.</Empty>
      ) : null}
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

/** One of the lists that leave some of the exercises. */
function Filter({
  label,
  all,
  value,
  onChange,
  options,
}: {
  readonly label: string;
  readonly all: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly options: readonly (readonly [string, string])[];
}) {
  return (
    <Select aria-label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      <option value="">{all}</option>
      {options.map(([own, text]) => (
        <option key={own} value={own}>
          {text}
        </option>
      ))}
    </Select>
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
          gridTemplateColumns: { xs: "1fr", md: COLUMNS },
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
          {movement.loadings.map((kind) => LOADING_NAMES[kind]).join(", ")}
        </Typography>
        <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
          {LEVEL_NAMES[movement.difficulty]}
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
