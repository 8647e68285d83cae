import { CacheProvider } from "@emotion/react";
import { startTransition, StrictMode } from "react";
import { hydrateRoot } from "react-dom/client";
import { HydratedRouter } from "react-router/dom";
import { createStyleCache } from "./theme/style-cache.ts";

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.nonce;

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <CacheProvider value={createStyleCache(nonce)}>
        <HydratedRouter />
      </CacheProvider>
    </StrictMode>,
  );
});
