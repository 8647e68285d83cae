import { useSyncExternalStore } from "react";

const never = () => () => undefined;

/** False on the server and until the page has come alive: what is typed before would be lost or doubled. */
export function useAlive(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
}
