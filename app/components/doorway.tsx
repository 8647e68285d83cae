import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Mark } from "./shell.tsx";
import { SleeveDrawing } from "./sleeve-drawing.tsx";
import { kg } from "~/core/kernel/index.ts";

const PICTURE = [kg(25), kg(20), kg(10), kg(2.5), kg(1.25)];

/** The page before the sign-in: what Kravo is for at one side, the form at the other. */
export function Doorway({
  title,
  children,
}: {
  readonly title: string;
  readonly children: React.ReactNode;
}) {
  return (
    <Box
      component="main"
      sx={{ display: "grid", gridTemplateColumns: { md: "1.1fr 1fr" }, minHeight: "100dvh" }}
    >
      <title>{`${title} · Kravo`}</title>
      <Box
        sx={{
          backgroundColor: "kravo.sheet",
          borderRight: { md: 1 },
          borderColor: "kravo.edge",
          p: { xs: 3, md: 6 },
          display: "flex",
          flexDirection: "column",
          justifyContent: "space-between",
          gap: 3,
        }}
      >
        <Box sx={{ display: "flex", alignItems: "center", gap: 1.5 }}>
          <Mark size={44} />
          <Typography variant="h2" component="p" sx={{ fontSize: "2.4rem" }}>
            Kravo
          </Typography>
        </Box>
        <Typography
          component="p"
          variant="h1"
          sx={{ fontSize: { xs: "2.4rem", md: "4.2rem" }, maxWidth: "11ch" }}
        >
          Leg day, worked out.
        </Typography>
        <Box sx={{ display: { xs: "none", md: "block" } }}>
          <SleeveDrawing plates={PICTURE} height={190} />
          <Typography sx={{ mt: 2, maxWidth: "44ch", color: "text.secondary" }}>
            Plan the session, see what to load, log the sets, and read why the next load is what it
            is.
          </Typography>
        </Box>
      </Box>
      <Box sx={{ p: { xs: 3, md: 6 }, alignSelf: "center", width: "100%", maxWidth: 520 }}>
        <Typography variant="h1" sx={{ mb: 3, pb: 1, borderBottom: "4px double" }}>
          {title}
        </Typography>
        {children}
      </Box>
    </Box>
  );
}
