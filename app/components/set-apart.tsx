import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link, useMatches } from "react-router";
import { formatSetApart, type SetApartRecord } from "~/format/set-apart.ts";

interface Apart extends SetApartRecord {
  readonly id: string;
  readonly mendAt: string | null;
}

/** Names the records that were left out of this page because they cannot be read. Shows nothing otherwise. */
export function SetApartNotice() {
  const apart = useMatches().flatMap(({ loaderData }) => apartIn(loaderData));
  const named = [
    ...new Map(apart.map((record) => [`${record.what} ${record.id}`, record])).values(),
  ];
  if (named.length === 0) return null;
  return (
    <Box
      role="alert"
      className="not-printed"
      sx={{ mx: { xs: 2, md: 4 }, mt: 2, p: 1.5, border: 2, borderColor: "kravo.warn" }}
    >
      <Typography sx={{ fontWeight: 650 }}>
        {named.length === 1 ? "One record is" : `${named.length} records are`} left out here,
        because this version of Kravo cannot read {named.length === 1 ? "it" : "them"}. Nothing was
        deleted.
      </Typography>
      {named.map((record) => (
        <Typography key={`${record.what} ${record.id}`} variant="body2" sx={{ mt: 0.5 }}>
          {formatSetApart(record)}{" "}
          {record.mendAt === null ? null : <Link to={record.mendAt}>Enter it again</Link>}
        </Typography>
      ))}
    </Box>
  );
}

/** Every loader behind the sign-in adds the list; see server/http/handlers. */
function apartIn(loaderData: unknown): readonly Apart[] {
  return typeof loaderData === "object" && loaderData !== null && "setApart" in loaderData
    ? (loaderData.setApart as readonly Apart[])
    : [];
}
