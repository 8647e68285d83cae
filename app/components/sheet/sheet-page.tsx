import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useLayoutEffect, useRef, useState } from "react";
import { FONTS, TYPE } from "../../theme/tokens.ts";

/** What the margins of `@page` leave of A4, with a little room for how printers differ. */
const PAGE = { width: 186, height: 270 } as const;

/** Of 10.5 points: from what is read from afar down to the smallest that is read in the hand, 7 points. */
const SMALLEST = 0.68;
const SIZES = [1.3, 1.2, 1.1, 1, 0.95, 0.9, 0.85, 0.8, 0.76, 0.72, SMALLEST];

/** How the content prints: its size, and whether one page holds it at that. */
interface Fit {
  readonly size: number;
  readonly isOnePage: boolean;
}

/**
 * One A4 page, in ink on white. What it holds is printed as large as still fits; where not even the smallest size
 * that can be read fits, it takes more pages and says so.
 */
export function SheetPage({ children }: { readonly children: React.ReactNode }) {
  const page = useRef<HTMLElement>(null);
  const [fit, setFit] = useState<Fit>({ size: 1, isOnePage: true });
  useLayoutEffect(() => {
    // Where it is made to be printed at once it has its size at once; letters that come later are fitted again.
    if (document.fonts.status === "loaded" && page.current !== null) setFit(fitOf(page.current));
    let isGone = false;
    void document.fonts.ready.then(() => {
      if (!isGone && page.current !== null) setFit(fitOf(page.current));
    });
    return () => {
      isGone = true;
    };
  }, [children]);
  return (
    <>
      {fit.isOnePage ? null : (
        <Typography className="not-printed" role="status" sx={{ textAlign: "center", px: 2 }}>
          Too much for one page that can still be read: it prints on more. Fewer different sets, or
          two sessions, make it one.
        </Typography>
      )}
      <Box
        component="article"
        ref={page}
        sx={SHEET}
        style={{ "--sheet-size": fit.size } as React.CSSProperties}
      >
        {children}
      </Box>
    </>
  );
}

/** Lays the sheet out as it prints, at one size after the other, and puts it back. */
function fitOf(sheet: HTMLElement): Fit {
  const perMillimetre = 96 / 25.4;
  const heightAt = (size: number) => {
    sheet.style.width = `${PAGE.width / size}mm`;
    return (sheet.offsetHeight * size) / perMillimetre;
  };
  sheet.classList.add("measured");
  const size = SIZES.find((known) => heightAt(known) <= PAGE.height) ?? null;
  sheet.classList.remove("measured");
  sheet.style.width = "";
  return { size: size ?? SMALLEST, isOnePage: size !== null };
}

const PRINTED = { m: 0, p: 0, maxWidth: "none" } as const;

const SHEET = {
  maxWidth: `${PAGE.width}mm`,
  boxSizing: "content-box",
  mx: "auto",
  my: 2,
  p: { xs: 1, md: "8mm" },
  color: "#000",
  backgroundColor: "#fff",
  fontSize: "10.5pt",
  lineHeight: 1.3,
  "& h2": { ...TYPE.h3, fontSize: "1.3em", lineHeight: 1.2, margin: "0.55em 0 0.15em" },
  "& h2 > span": { fontWeight: 500, fontSize: "0.72em", fontFamily: FONTS.text },
  "& table": { width: "100%", borderCollapse: "collapse", tableLayout: "fixed" },
  "& th, & td": {
    textAlign: "left",
    verticalAlign: "top",
    borderTop: "1px solid #999",
    padding: "0.15em 0.5em 0.15em 0",
    overflowWrap: "break-word",
  },
  "& tr.part > th, & tr.part > td": { borderTopStyle: "dotted" },
  "& th": { fontWeight: 650, width: "15%" },
  "& tr.part > th": { fontWeight: 500, paddingLeft: "0.8em" },
  "& td:nth-of-type(1)": { width: "25%" },
  "& td.boxes": { width: "34%", padding: "0.15em 0" },
  "& td.boxes > div": { display: "flex", flexWrap: "wrap", gap: "0.15em" },
  "& td.boxes span": {
    flex: "1 1 4em",
    maxWidth: "12em",
    height: "2.7em",
    border: "1px solid #000",
    paddingLeft: "0.3em",
    fontSize: "0.7em",
    color: "#444",
  },
  "& .scale": { whiteSpace: "pre", fontWeight: 650 },
  "& .write": { borderBottom: "1px solid #000", display: "inline-block", width: "5em" },
  "& .together": { breakInside: "avoid" },
  "&.measured": PRINTED,
  "@media print": { ...PRINTED, zoom: "var(--sheet-size)" },
} as const;
