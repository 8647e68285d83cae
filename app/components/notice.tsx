import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";

interface NoticeProps {
  readonly code: string;
  readonly title: string;
  readonly text: string;
  readonly retry?: boolean;
}

/** A whole page for what went wrong: what it was, what it means, what to do. */
export function Notice({ code, title, text, retry = false }: NoticeProps) {
  return (
    <>
      <title>{`${title} · Kravo`}</title>
      <Box component="main" sx={{ maxWidth: 620, mx: "auto", px: 3, py: { xs: 6, md: 12 } }}>
        <Typography
          variant="figure"
          component="p"
          sx={{ fontSize: "6rem", color: "kravo.ironLight" }}
        >
          {code}
        </Typography>
        <Typography variant="h1" sx={{ mb: 2, borderTop: 3, pt: 2 }}>
          {title}
        </Typography>
        <Typography sx={{ mb: 3, fontSize: "1.1rem" }}>{text}</Typography>
        <Box sx={{ display: "flex", gap: 1.5 }}>
          {retry ? <RetryLink /> : null}
          <Button variant={retry ? "outlined" : "contained"} href="/">
            Go to Today
          </Button>
        </Box>
      </Box>
    </>
  );
}

/** Loads the same address again; a link, so that it works before any script has. */
function RetryLink() {
  const [here, setHere] = useState("");
  useEffect(() => setHere(window.location.pathname), []);
  return (
    <Button variant="contained" href={here}>
      Try again
    </Button>
  );
}
