import CssBaseline from "@mui/material/CssBaseline";
import InitColorSchemeScript from "@mui/material/InitColorSchemeScript";
import { ThemeProvider } from "@mui/material/styles";
import { useEffect } from "react";
import {
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  isRouteErrorResponse,
  useRouteLoaderData,
} from "react-router";
import { requestOf } from "~/server/context.server.ts";
import type { Route } from "./+types/root.ts";
import { Notice } from "./components/notice.tsx";
import { formatSetApart, type SetApartRecord } from "~/format/set-apart.ts";
import { theme } from "./theme/theme.ts";
import "@fontsource-variable/sofia-sans";
import "@fontsource-variable/sofia-sans-extra-condensed";

export function loader({ context }: Route.LoaderArgs) {
  return { nonce: requestOf(context).nonce };
}

/** The nonce belongs to the page as first loaded; a later navigation must not change it. */
export function shouldRevalidate() {
  return false;
}

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useRouteLoaderData<typeof loader>("root")?.nonce;
  // From here on the page answers keys, and what is typed stays.
  useEffect(() => {
    document.documentElement.dataset["alive"] = "";
  }, []);
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="csp-nonce" nonce={nonce} suppressHydrationWarning />
        <link rel="icon" href="/mark.svg" type="image/svg+xml" />
        <link rel="manifest" href="/manifest.webmanifest" />
        <Meta />
        <Links nonce={nonce} />
      </head>
      <body>
        <InitColorSchemeScript attribute="data-scheme" nonce={nonce} />
        <ThemeProvider theme={theme} defaultMode="system">
          <CssBaseline />
          {children}
        </ThemeProvider>
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

/** What the server threw on purpose, by its code. */
function thrownProblem(
  thrown: unknown,
): { code: "unreadable"; record: SetApartRecord } | { code: "databaseBusy" } | null {
  if (typeof thrown !== "object" || thrown === null || !("code" in thrown)) return null;
  if (thrown.code === "databaseBusy") return { code: "databaseBusy" };
  if (thrown.code !== "unreadable") return null;
  return { code: "unreadable", record: thrown as unknown as SetApartRecord };
}

export default function Root() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  if (isRouteErrorResponse(error)) {
    if (error.status === 404) {
      return (
        <Notice
          code="404"
          title="Nothing is filed here"
          text="The page does not exist, or it belongs to another studio. Nothing was lost."
        />
      );
    }
    const problem = thrownProblem(error.data);
    if (problem?.code === "unreadable") {
      return (
        <Notice
          code="500"
          title="This record cannot be read"
          text={`${formatSetApart(problem.record)}: it was stored in a form that this version of Kravo does not know. Nothing of it was changed, and all other pages work. Whoever runs this server finds it in the log.`}
        />
      );
    }
    if (problem?.code === "databaseBusy") {
      return (
        <Notice
          code="503"
          title="Someone else is writing here"
          text="The record is held by another write that takes too long. Nothing was saved this time; try again in a moment."
          retry
        />
      );
    }
    if (error.status === 503) {
      return (
        <Notice
          code="503"
          title="The record store does not answer"
          text="Kravo is running, but its database is not to be reached. What you logged on the floor is kept on your device and sent as soon as it is back. This page can be loaded again at any time."
          retry
        />
      );
    }
    return (
      <Notice
        code={String(error.status)}
        title="That did not work"
        text={typeof error.data === "string" ? error.data : error.statusText}
        retry
      />
    );
  }
  return (
    <Notice
      code="500"
      title="Something broke on our side"
      text="The error was written to the server's log. What was saved before is safe; try the last step again."
      retry
    />
  );
}
