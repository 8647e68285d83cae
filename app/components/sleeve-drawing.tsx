import Box from "@mui/material/Box";
import { amountKg, type Mass } from "~/core/kernel/index.ts";
import { formatAmount } from "~/format/numbers.ts";

/** Real plates grow in width and thickness with mass; drawn to these proportions, in millimetres. */
function plateSize(plate: Mass): { readonly diameter: number; readonly width: number } {
  const weight = amountKg(plate);
  return {
    diameter: Math.min(450, 150 + 70 * Math.sqrt(weight)),
    width: Math.min(104, 44 + 2.4 * weight),
  };
}

const COLLAR = 30;
const GAP = 4;
const AXIS = 240;

/**
 * One sleeve of a bar, or one horn of a machine, seen from the side: the collar at the left, plates in the
 * order in which they are hung, each with its number. The text beside it says the same in words.
 */
export function SleeveDrawing({
  plates,
  height,
  label,
}: {
  readonly plates: readonly Mass[];
  readonly height: number | { readonly xs: number; readonly md: number };
  readonly label?: string;
}) {
  const start = COLLAR + 14;
  const sized = plates.map((plate) => ({ plate, ...plateSize(plate) }));
  const placed = sized.map((p, i) => ({
    ...p,
    x: start + sized.slice(0, i).reduce((sum, before) => sum + before.width + GAP, 0),
  }));
  const end = placed.reduce((most, p) => Math.max(most, p.x + p.width), start);
  const width = end + 70;
  return (
    <Box
      component="svg"
      role={label === undefined ? "presentation" : "img"}
      aria-label={label}
      viewBox={`0 0 ${width} 480`}
      sx={{
        height,
        maxWidth: "100%",
        display: "block",
        "& text": { fontFamily: (t) => t.typography.figure.fontFamily, fontWeight: 800 },
      }}
    >
      <Box
        component="rect"
        x={0}
        y={AXIS - 11}
        width={width}
        height={22}
        sx={{ fill: (t) => t.vars?.palette.kravo.ironLight }}
      />
      <Box
        component="rect"
        x={0}
        y={AXIS - 48}
        width={COLLAR}
        height={96}
        sx={{ fill: (t) => t.vars?.palette.kravo.iron }}
      />
      {placed.map(({ plate, diameter, width: w, x }) => (
        <g key={x}>
          <Box
            component="rect"
            x={x}
            y={AXIS - diameter / 2}
            width={w}
            height={diameter}
            rx={6}
            sx={{ fill: (t) => t.vars?.palette.kravo.iron }}
          />
          <Box
            component="text"
            transform={`translate(${x + w / 2} ${AXIS}) rotate(-90)`}
            textAnchor="middle"
            dominantBaseline="central"
            sx={{ fill: (t) => t.vars?.palette.kravo.paper, fontSize: Math.min(78, w * 0.92) }}
          >
            {formatAmount(plate)}
          </Box>
        </g>
      ))}
    </Box>
  );
}
