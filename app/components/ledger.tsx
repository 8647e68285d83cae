import Box from "@mui/material/Box";

/** A table as a printed ledger has it: hairlines, small heads, figures in columns. Scrolls inside itself. */
export function Ledger({
  label,
  head,
  sorted = null,
  wideOnly = [],
  children,
}: {
  readonly label: string;
  readonly head: readonly React.ReactNode[];
  /** The place of the head that the rows are in order by. */
  readonly sorted?: number | null;
  /** The places of heads that a phone has no room for; their cells carry the class `wide`. */
  readonly wideOnly?: readonly number[];
  readonly children: React.ReactNode;
}) {
  return (
    <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={`Table: ${label}`}>
      <Box
        component="table"
        aria-label={label}
        sx={{
          borderCollapse: "collapse",
          width: "100%",
          "& th, & td": {
            textAlign: "left",
            py: 1,
            pr: 2,
            borderBottom: 1,
            borderColor: "divider",
            verticalAlign: "baseline",
          },
          "& thead th": {
            fontSize: "0.72rem",
            fontWeight: 700,
            letterSpacing: "0.09em",
            textTransform: "uppercase",
            color: "text.secondary",
            borderColor: "kravo.edge",
            py: 0.5,
          },
          // A column without a head ends the rule no earlier.
          "& thead td": { borderColor: "kravo.edge", p: 0 },
          "& tbody th": { fontWeight: 650, whiteSpace: { md: "nowrap" } },
          "& .figure": {
            fontFamily: (t) => t.typography.figure.fontFamily,
            fontVariantNumeric: "tabular-nums lining-nums",
            fontWeight: 700,
            fontSize: "1.2rem",
            whiteSpace: "nowrap",
          },
          "& .wide": { display: { xs: "none", md: "table-cell" } },
          "& tbody tr:hover": { backgroundColor: "kravo.sheet" },
        }}
      >
        <thead>
          <tr>
            {head.map((cell, i) =>
              cell === "" ? (
                <td key={i} className={wideOnly.includes(i) ? "wide" : undefined} />
              ) : (
                <th
                  key={i}
                  scope="col"
                  className={wideOnly.includes(i) ? "wide" : undefined}
                  aria-sort={sorted === i ? "ascending" : undefined}
                >
                  {cell}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </Box>
    </Box>
  );
}
