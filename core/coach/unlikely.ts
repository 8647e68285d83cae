/** A multiple of another set's load from here on is hardly meant. Source: our rule. */
export const UNLIKELY_SHARE = 1.5;
/** Work sets of one line whose loads differ by so much are hardly meant. Source: our rule. */
export const UNLIKELY_RATIO = 2;
