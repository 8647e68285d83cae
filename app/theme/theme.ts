import { createTheme, type ThemeOptions } from "@mui/material/styles";
import { DARK, FONTS, LIGHT, TYPE, type Palette } from "./tokens.ts";

declare module "@mui/material/styles" {
  interface Palette {
    kravo: import("./tokens.ts").Palette;
  }
  interface PaletteOptions {
    kravo?: import("./tokens.ts").Palette;
  }
  interface TypographyVariants {
    figure: React.CSSProperties;
  }
  interface TypographyVariantsOptions {
    figure?: React.CSSProperties;
  }
}

declare module "@mui/material/Typography" {
  interface TypographyPropsVariantOverrides {
    figure: true;
  }
}

function scheme(p: Palette) {
  return {
    palette: {
      kravo: p,
      primary: { main: p.ink, contrastText: p.paper },
      secondary: { main: p.signal, contrastText: p.onSignal },
      error: { main: p.signal },
      warning: { main: p.warn },
      background: { default: p.paper, paper: p.sheet },
      text: { primary: p.ink, secondary: p.inkSoft },
      divider: p.rule,
    },
  };
}

const options: ThemeOptions = {
  cssVariables: { colorSchemeSelector: "data-scheme" },
  colorSchemes: { light: scheme(LIGHT), dark: scheme(DARK) },
  shape: { borderRadius: 2 },
  typography: {
    fontFamily: FONTS.text,
    fontSize: 15,
    ...TYPE,
    button: { textTransform: "none", fontWeight: 650, fontSize: "0.95rem" },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: ({ theme }) => ({
          minHeight: 40,
          minWidth: 0,
          paddingInline: 16,
          "&.MuiButton-sizeSmall": { paddingInline: 9, minHeight: 36 },
          "&.Mui-focusVisible": {
            outline: `3px solid ${theme.vars.palette.kravo.signal}`,
            outlineOffset: 2,
          },
        }),
        outlined: ({ theme }) => ({ borderColor: theme.vars.palette.kravo.edge }),
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: ({ theme }) => ({
          minHeight: 40,
          paddingInline: 12,
          borderColor: theme.vars.palette.kravo.edge,
          color: theme.vars.palette.kravo.ink,
          "&.Mui-selected, &.Mui-selected:hover": {
            backgroundColor: theme.vars.palette.kravo.ink,
            color: theme.vars.palette.kravo.paper,
          },
          "&.Mui-focusVisible": {
            outline: `3px solid ${theme.vars.palette.kravo.signal}`,
            outlineOffset: 2,
            zIndex: 1,
          },
        }),
      },
    },
    MuiOutlinedInput: {
      styleOverrides: {
        root: ({ theme }) => ({
          backgroundColor: theme.vars.palette.kravo.sheet,
          "& .MuiOutlinedInput-notchedOutline": {
            borderColor: theme.vars.palette.kravo.edge,
          },
          "&.Mui-focused .MuiOutlinedInput-notchedOutline": { borderWidth: 2 },
        }),
        input: { padding: "9px 12px", height: "1.45em" },
        multiline: { padding: "9px 12px" },
      },
    },
    MuiCssBaseline: {
      styleOverrides: {
        // What a disclosure holds stands in a box of its own, which hands nothing down to what is in it.
        "*, *::before, *::after, ::details-content": { boxSizing: "border-box" },
        body: { fontFeatureSettings: '"tnum" 1', fontOpticalSizing: "auto" },
        a: { color: "inherit" },
        "input[type=radio], input[type=checkbox]": {
          accentColor: "var(--mui-palette-kravo-ink)",
          width: 18,
          height: 18,
        },
        ":focus-visible": {
          outline: "3px solid var(--mui-palette-kravo-signal)",
          outlineOffset: 2,
        },
        "@page": { size: "A4", margin: "12mm" },
        "@media print": {
          ".not-printed": { display: "none !important" },
          // What a disclosure holds stands in a box of its own, which hands nothing down to what is in it.
          "*, *::before, *::after, ::details-content": { boxSizing: "border-box" },
          body: { color: "#000", backgroundColor: "#fff" },
        },
        "@media (prefers-reduced-motion: reduce)": {
          "*, *::before, *::after": { animation: "none !important", transition: "none !important" },
        },
      },
    },
  },
};

/** Kravo's theme, light and dark, as CSS variables. */
export const theme = createTheme(options);
