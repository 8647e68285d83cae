import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/approaches.ts";
import { approachPath } from "../components/approach-path.ts";
import { Page, Tag } from "../components/page.tsx";

export const loader = reading(async (scope) => {
  return { approaches: await listApproaches(scope) };
});

export default function Approaches({ loaderData: { approaches } }: Route.ComponentProps) {
  return (
    <Page
      title="Approaches"
      lead={
        <>
          Schools of training, each a set of views. None of them is settled; a client’s brief picks
          one. Estimates follow the <Link to="/strength-rules">strength rules</Link>, whichever it
          is.
        </>
      }
    >
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {approaches.map((approach) => (
          <Box
            component="li"
            key={approach.ref}
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "1fr", md: "220px minmax(0,3fr) minmax(0,2fr)" },
              columnGap: 3,
              rowGap: 0.5,
              py: 1.5,
              borderBottom: 1,
              borderColor: "divider",
              alignItems: "baseline",
            }}
          >
            <Typography variant="h3" component="h2">
              <Link to={approachPath(approach.ref)}>{approach.name}</Link>{" "}
              {approach.ref.startsWith("studio:") ? <Tag>ours</Tag> : null}
            </Typography>
            <Typography>{approach.summary}</Typography>
            <Typography variant="body2" sx={{ color: "text.secondary" }}>
              Suits: {approach.suits}
            </Typography>
          </Box>
        ))}
      </Box>
    </Page>
  );
}
