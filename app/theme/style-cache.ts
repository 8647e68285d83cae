import createCache, { type EmotionCache } from "@emotion/cache";

/** One cache for each rendering, with the nonce that the content security policy asks for. */
export function createStyleCache(nonce: string | undefined): EmotionCache {
  return createCache({ key: "kv", ...(nonce === undefined ? {} : { nonce }) });
}
