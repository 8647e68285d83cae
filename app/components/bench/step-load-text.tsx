import isEqual from "fast-deep-equal";
import type { SetStep } from "~/core/unroll/index.ts";
import type { Mass } from "~/core/kernel/index.ts";
import { formatMoved } from "~/format/loading-plan.ts";
import { formatInUnit, formatMass, formatShare } from "~/format/numbers.ts";
import { formatRecipe } from "~/format/training.ts";
import bench from "./bench.module.css";

/** How to make a step's load, and what it comes to in all where that differs from the reading. */
export function StepLoadText({ step }: { readonly step: SetStep }) {
  if (step.load.kind !== "made") return <p className={bench.setHang}>–</p>;
  const { reading, recipe, total, movedFrom, heldFrom } = step.load;
  const differs = total !== null && total.thousandths !== reading.thousandths;
  return (
    <p className={bench.setHang}>
      {formatRecipe(recipe)} · {inOther(reading)}
      {differs ? ` · ${formatMass(total)} moved` : ""}
      {heldFrom === null ? "" : ` · load limit: the rule gives ${formatMass(heldFrom)}`}
      {movedFrom === null ? "" : ` · ${formatMoved(movedFrom, reading)}`}
    </p>
  );
}

/**
 * What an extension of a set comes to: its load, how to make it, and the share where it is not quite the one asked; that
 * it stays where it is that of the step `before` it.
 */
export function ExtensionLoadText({
  step,
  before,
}: {
  readonly step: SetStep | undefined;
  readonly before: SetStep | undefined;
}) {
  if (step?.load.kind !== "made") return null;
  if (isEqual(step.load, before?.load)) return <p className={bench.setHang}>the same load</p>;
  const { reading, recipe, share, movedFrom } = step.load;
  return (
    <p className={bench.setHang}>
      <strong>{formatMass(reading)}</strong>, {formatRecipe(recipe)} · {inOther(reading)}
      {share === null || Math.abs(share.made - share.asked) < 0.005
        ? ""
        : ` · comes to ${formatShare(share.made)} ${share.basis === "totalMoved" ? "including bar, sled or body weight" : "of the plates alone"}`}
      {movedFrom === null ? "" : ` · ${formatMoved(movedFrom, reading)}`}
    </p>
  );
}

/** The same in the unit that is not read here, for gyms and people that mix both. */
const inOther = (reading: Mass) => formatInUnit(reading, reading.unit === "kg" ? "lb" : "kg");
