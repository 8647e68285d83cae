import { CacheProvider } from "@emotion/react";
import { startTransition, StrictMode, useEffect } from "react";
import { hydrateRoot } from "react-dom/client";
import { HydratedRouter } from "react-router/dom";
import { createStyleCache } from "./theme/style-cache.ts";

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.nonce;

/** Marks the page as alive: from here on it answers keys, and what is typed stays. */
function Alive() {
  useEffect(() => {
    document.documentElement.dataset["alive"] = "";
  }, []);
  return null;
}

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <CacheProvider value={createStyleCache(nonce)}>
        <HydratedRouter />
        <Alive />
      </CacheProvider>
    </StrictMode>,
  );
});
