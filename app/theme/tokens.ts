/** Kravo's visual tokens; docs/design-language.md says what each is for. */

export const FONTS = {
  text: '"Sofia Sans Variable", system-ui, sans-serif',
  figures: '"Sofia Sans Extra Condensed Variable", "Arial Narrow", sans-serif',
} as const;

export interface Palette {
  readonly paper: string;
  readonly sheet: string;
  readonly ink: string;
  readonly inkSoft: string;
  readonly rule: string;
  readonly edge: string;
  readonly signal: string;
  readonly onSignal: string;
  readonly iron: string;
  readonly ironLight: string;
  readonly warn: string;
}

/** Paper and ink. */
export const LIGHT: Palette = {
  paper: "#eceeea",
  sheet: "#f8f9f6",
  ink: "#14181b",
  inkSoft: "#4d5558",
  rule: "#c6ccc6",
  edge: "#737c7c",
  signal: "#c4320a",
  onSignal: "#ffffff",
  iron: "#2a3136",
  ironLight: "#5b656b",
  warn: "#7a4b00",
};

/** The gym at night: iron ground, chalk writing. */
export const DARK: Palette = {
  paper: "#12161a",
  sheet: "#1a2025",
  ink: "#eef1ec",
  inkSoft: "#a9b3b4",
  rule: "#333c42",
  edge: "#7d888c",
  signal: "#ff6a3c",
  onSignal: "#170702",
  iron: "#c9d1cf",
  ironLight: "#8b979a",
  warn: "#f0b454",
};

const condensed = { fontFamily: FONTS.figures, fontWeight: 800, letterSpacing: "0.005em" };

/** How headings, small headings and figures are set, by Material's components and by plain classes alike. */
export const TYPE = {
  h1: { ...condensed, fontSize: "2.9rem", lineHeight: 0.95 },
  h2: { ...condensed, fontSize: "1.7rem", lineHeight: 1 },
  h3: { ...condensed, fontSize: "1.3rem", lineHeight: 1.1, fontWeight: 700 },
  overline: {
    fontFamily: FONTS.text,
    fontSize: "0.72rem",
    fontWeight: 700,
    letterSpacing: "0.09em",
    lineHeight: 1.4,
    textTransform: "uppercase",
  },
  figure: {
    fontFamily: FONTS.figures,
    fontVariantNumeric: "tabular-nums lining-nums",
    fontWeight: 700,
    fontSize: "1.25rem",
    lineHeight: 1.05,
  },
} as const;

/** Touch targets on the floor view, in pixels. */
export const TOUCH = 48;
