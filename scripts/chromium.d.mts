export const CHROMIUM_ARGS: string[];
