import type { Drill, Item } from "../../index.ts";
import type { NotationContext } from "../context.ts";
import { kebab, quoted } from "../words.ts";
import { movementText } from "./load.ts";
import { sideText } from "./modifier.ts";
import { writeTarget } from "./target.ts";
import { joined, time } from "./words.ts";

/** Drills and checks as `parseItems` reads them. */
export function writeItems(items: readonly Item[], context: NotationContext): string {
  return items.map((item) => itemText(item, context)).join("; ");
}

export function itemText(item: Item, context: NotationContext): string {
  return item.kind === "tightnessCheck"
    ? `check ${kebab(item.region)} ${time(item.seconds)} if tight ${drillText(item.ifTight, context)}`
    : drillText(item, context);
}

function drillText(drill: Drill, context: NotationContext): string {
  const { intensity } = drill;
  return joined([
    kebab(drill.kind),
    drill.name === "" ? "" : quoted(drill.name),
    drill.movement === null ? "" : `movement ${movementText(drill.movement, context)}`,
    writeTarget(drill.target),
    drill.side.kind === "both" ? "" : sideText(drill.side),
    intensity.kind === "felt"
      ? `felt ${intensity.outOfTen}`
      : intensity.kind === "heartRate"
        ? `heart ${intensity.min}-${intensity.max}`
        : "",
  ]);
}
