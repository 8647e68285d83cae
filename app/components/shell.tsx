import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useColorScheme } from "@mui/material/styles";
import { useEffect } from "react";
import { Form, Link, NavLink, useRevalidator } from "react-router";
import { SetApartNotice } from "./set-apart.tsx";
import { FLOOR_PAGES } from "../workers/floor-pages.ts";

const TABS = [
  { to: "/", text: "Today" },
  { to: "/people", text: "Clients" },
  { to: "/season", text: "Season" },
  { to: "/gyms", text: "Gyms" },
  { to: "/movements", text: "Exercises" },
  { to: "/templates", text: "Templates" },
  { to: "/approaches", text: "Approaches" },
] as const;

/** Kravo's mark: an upright and two struts, with a bar end in the signal colour. */
export function Mark({ size }: { readonly size: number }) {
  return (
    <Box
      component="svg"
      viewBox="0 0 32 32"
      aria-hidden
      sx={{ width: size, height: size, display: "block" }}
    >
      <Box
        component="path"
        sx={{ fill: (t) => t.vars?.palette.kravo.ink }}
        d="M4 3h6v26H4z M10 14h4l6-11h7l-8 13 8 13h-7l-6-11h-4z"
      />
      <Box component="path" sx={{ fill: (t) => t.vars?.palette.kravo.signal }} d="M27 14h4v4h-4z" />
    </Box>
  );
}

const ACCOUNT_BUTTON = { minHeight: 32, px: 0.75, whiteSpace: "nowrap" } as const;

/** Signing out leaves no session on the device but what is still to be sent. */
async function forgetFloor(): Promise<void> {
  if ("caches" in globalThis) await caches.delete(FLOOR_PAGES);
  await (await import("./floor/log-store.ts")).forgetSent();
}

/** The frame of every page for planning: an index at the edge, as a ledger has, and the page beside it. */
export function Shell({
  studioName,
  displayName,
  children,
}: {
  readonly studioName: string;
  readonly displayName: string;
  readonly children: React.ReactNode;
}) {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    // What this device still holds is settled whichever page is opened first; a network that fails is no news.
    void import("./floor/settle-device.ts")
      .then(({ settleDevice }) => settleDevice())
      .then((isChanged) => (isChanged ? revalidate() : undefined))
      .catch(() => undefined);
    // Once for each time that the frame is opened.
  }, []);
  return (
    <Box sx={{ display: "flex", flexDirection: { xs: "column", md: "row" }, minHeight: "100dvh" }}>
      <Box
        component="a"
        href="#page"
        sx={{
          position: "absolute",
          left: -9999,
          "&:focus": { left: 8, top: 8, zIndex: 10, p: 1, backgroundColor: "kravo.sheet" },
        }}
      >
        Skip to the page
      </Box>
      <Box
        className="not-printed"
        sx={{
          display: "flex",
          flexDirection: "column",
          width: { md: 112 },
          flexShrink: 0,
          position: { md: "sticky" },
          top: 0,
          // Painted last: what is painted after something that stays in place gets a layer of its own.
          zIndex: { md: 1 },
          height: { md: "100dvh" },
          overflowY: { md: "auto" },
          borderRight: { md: 1 },
          borderColor: { md: "kravo.edge" },
        }}
      >
        <Box
          component="nav"
          aria-label="Index"
          sx={{
            display: "flex",
            flexDirection: { xs: "row", md: "column" },
            overflowX: { xs: "auto", md: "visible" },
            alignItems: "stretch",
            flexGrow: { md: 1 },
            borderBottom: { xs: 1, md: 0 },
            borderColor: { xs: "kravo.edge" },
            pt: { md: 2 },
          }}
        >
          <Box
            component={Link}
            to="/"
            aria-label="Kravo, to Today"
            sx={{ p: { xs: 1.25, md: 0 }, pl: { md: 2.25 }, mb: { md: 2.5 }, alignSelf: "start" }}
          >
            <Mark size={32} />
          </Box>
          {TABS.map((tab) => (
            <IndexTab key={tab.to} {...tab} />
          ))}
        </Box>
        <Box
          component="header"
          sx={{
            display: "flex",
            flexDirection: { xs: "row", md: "column" },
            alignItems: { xs: "center", md: "start" },
            columnGap: { xs: 0.75, md: 0 },
            px: { xs: 2, md: 1.75 },
            py: { xs: 0.5, md: 1.5 },
            borderBottom: { xs: 1, md: 0 },
            borderColor: "divider",
          }}
        >
          <Typography
            variant="body2"
            sx={{
              flexGrow: { xs: 1, md: 0 },
              minWidth: 0,
              maxWidth: "100%",
              px: { md: 0.75 },
              pb: { md: 0.5 },
              fontSize: "0.78rem",
              lineHeight: 1.3,
              color: "text.secondary",
              overflowWrap: "break-word",
            }}
          >
            {studioName} · {displayName}
          </Typography>
          <Button component={Link} to="/settings" size="small" sx={ACCOUNT_BUTTON}>
            Settings
          </Button>
          <Button component={Link} to="/account" size="small" sx={ACCOUNT_BUTTON}>
            Account
          </Button>
          <SchemeSwitch />
          <Form method="post" action="/sign-out" onSubmit={() => void forgetFloor()}>
            <Button type="submit" size="small" sx={ACCOUNT_BUTTON}>
              Sign out
            </Button>
          </Form>
        </Box>
      </Box>
      <Box sx={{ flexGrow: 1, minWidth: 0, display: "flex", flexDirection: "column" }}>
        <SetApartNotice />
        {children}
      </Box>
    </Box>
  );
}

function IndexTab({ to, text }: { readonly to: string; readonly text: string }) {
  return (
    <Box
      component={NavLink}
      to={to}
      end={to === "/"}
      sx={{
        flexGrow: { xs: 1, md: 0 },
        display: "grid",
        placeItems: { xs: "center", md: "center start" },
        minHeight: { xs: 48, md: 44 },
        px: { xs: 0.25, md: 2.5 },
        minWidth: 0,
        textDecoration: "none",
        fontFamily: (t) => t.typography.h2.fontFamily,
        fontWeight: 700,
        // Seven of them stand beside each other on a phone.
        fontSize: { xs: "1rem", md: "1.2rem" },
        borderRight: { md: "4px solid transparent" },
        borderBottom: { xs: "4px solid transparent", md: 0 },
        "&:hover": { backgroundColor: "kravo.sheet" },
        "&[aria-current=page]": {
          color: "kravo.paper",
          backgroundColor: "kravo.ink",
          borderColor: "kravo.signal",
        },
      }}
    >
      {text}
    </Box>
  );
}

/** Light or dark, by a word that says what a press gives. */
export function SchemeSwitch() {
  const { mode, systemMode, setMode } = useColorScheme();
  const current = mode === "system" ? systemMode : mode;
  return (
    <Button
      size="small"
      sx={ACCOUNT_BUTTON}
      onClick={() => setMode(current === "dark" ? "light" : "dark")}
    >
      {current === "dark" ? "Light" : "Dark"}
    </Button>
  );
}
