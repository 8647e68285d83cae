import isEqual from "fast-deep-equal";
import { memo, type ComponentType } from "react";

/**
 * Draws a component again only where its data changed. Data is compared by what it says, since most of it is
 * made anew at every keystroke; functions are not compared, so they must do the same whenever the data is the
 * same, and no prop may be an element.
 */
export function steady<P extends object>(component: ComponentType<P>) {
  return memo(component, (before, after) => {
    const known: Record<string, unknown> = { ...after };
    return Object.entries(before).every(
      ([name, value]) => typeof value === "function" || isEqual(value, known[name]),
    );
  });
}
