/** The cache of opened sessions: the floor page fills it, the worker serves it, signing out empties it. */
export const FLOOR_PAGES = "floor-pages";
