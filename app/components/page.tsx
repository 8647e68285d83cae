import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import plain from "../theme/plain.module.css";

/** A page of the ledger: title on a double rule, what can be done at its right. */
export function Page({
  title,
  heading = title,
  lead,
  actions,
  children,
  wide = false,
  dense = false,
  printsOtherwise = false,
}: {
  /** As the browser's tab has it. */
  readonly title: string;
  /** As the page has it, where that is more than text. */
  readonly heading?: React.ReactNode;
  readonly lead?: React.ReactNode;
  readonly actions?: React.ReactNode;
  readonly children: React.ReactNode;
  readonly wide?: boolean;
  /** With a smaller head, where all of the page is to be seen at once. */
  readonly dense?: boolean;
  /** Stands on the screen alone: something else of it is printed. */
  readonly printsOtherwise?: boolean;
}) {
  const classes = [
    plain.page,
    ...(wide ? [plain.wide] : []),
    ...(dense ? [plain.densePage] : []),
    ...(printsOtherwise ? ["not-printed"] : []),
  ];
  return (
    <main id="page" className={classes.join(" ")}>
      <title>{`${title} · Kravo`}</title>
      <header className={plain.pageHead}>
        <div className={plain.pageTitle}>
          <h1>{heading}</h1>
          {lead === undefined ? null : (
            <div className={`${plain.pageLead} ${plain.soft}`}>{lead}</div>
          )}
        </div>
        {actions}
      </header>
      {children}
    </main>
  );
}

/** A titled part of a page, on a single strong rule. */
export function Section({
  title,
  aside,
  children,
  id,
}: {
  readonly title: string;
  readonly aside?: React.ReactNode;
  readonly children: React.ReactNode;
  readonly id?: string;
}) {
  return (
    <Box component="section" id={id} aria-label={title} sx={{ mb: 4 }}>
      <Box
        sx={{
          display: "flex",
          alignItems: "baseline",
          flexWrap: "wrap",
          columnGap: 2,
          borderBottom: 2,
          borderColor: "kravo.ink",
          pb: 0.5,
        }}
      >
        <Typography variant="h2" sx={{ flexGrow: 1 }}>
          {title}
        </Typography>
        {aside}
      </Box>
      {children}
    </Box>
  );
}

/** What a list says when there is nothing in it, and what to do about it. */
export function Empty({ children }: { readonly children: React.ReactNode }) {
  return (
    <Typography
      component="div"
      sx={{ py: 2, color: "text.secondary", borderBottom: 1, borderColor: "divider" }}
    >
      {children}
    </Typography>
  );
}

/** A short label for a state, told apart by its words and its frame, not by colour alone. */
export function Tag({
  children,
  tone = "plain",
}: {
  readonly children: React.ReactNode;
  readonly tone?: "plain" | "now" | "strong";
}) {
  return (
    <Typography
      component="span"
      variant="overline"
      sx={{
        px: 0.75,
        border: 1,
        whiteSpace: "nowrap",
        borderColor:
          tone === "plain" ? "kravo.edge" : tone === "now" ? "kravo.signal" : "kravo.ink",
        color:
          tone === "now" ? "kravo.onSignal" : tone === "strong" ? "kravo.paper" : "text.secondary",
        backgroundColor:
          tone === "now" ? "kravo.signal" : tone === "strong" ? "kravo.ink" : "transparent",
      }}
    >
      {children}
    </Typography>
  );
}
