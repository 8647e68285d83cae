import isEqual from "fast-deep-equal";
import { use } from "react";
import type { SetStep } from "~/core/unroll/index.ts";
import { formatMoved } from "~/format/loading-plan.ts";
import { formatInOtherUnit, formatMass, formatShare } from "~/format/numbers.ts";
import { formatRecipe } from "~/format/training.ts";
import { BenchPlaceContext } from "./bench-context.ts";
import bench from "./bench.module.css";

/** How to make a step's load, and what it comes to in all where that differs from the reading. */
export function StepLoadText({ step }: { readonly step: SetStep }) {
  const { readsIn } = use(BenchPlaceContext);
  if (step.load.kind !== "made") return <p className={bench.setHang}>–</p>;
  const { reading, recipe, total, movedFrom, heldFrom } = step.load;
  const isThere = step.change?.kind === "none";
  const parts = [
    isThere ? "already loaded" : formatRecipe(recipe),
    isThere ? null : formatInOtherUnit(reading, readsIn),
    total !== null && total.thousandths !== reading.thousandths && !isThere
      ? `${formatMass(total)} moved`
      : null,
    heldFrom === null ? null : `load limit: the rule gives ${formatMass(heldFrom)}`,
    movedFrom === null ? null : formatMoved(movedFrom, reading),
  ];
  return <p className={bench.setHang}>{parts.filter((part) => part !== null).join(" · ")}</p>;
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
  const { readsIn } = use(BenchPlaceContext);
  if (step?.load.kind !== "made") return null;
  if (isEqual(step.load, before?.load)) return <p className={bench.setHang}>the same load</p>;
  const { reading, recipe, share, movedFrom } = step.load;
  const inOther = formatInOtherUnit(reading, readsIn);
  return (
    <p className={bench.setHang}>
      <strong>{formatMass(reading)}</strong>, {formatRecipe(recipe)}
      {inOther === null ? "" : ` · ${inOther}`}
      {share === null || Math.abs(share.made - share.asked) < 0.005
        ? ""
        : ` · comes to ${formatShare(share.made)} ${share.basis === "totalMoved" ? "including bar, sled or body weight" : "of the plates alone"}`}
      {movedFrom === null ? "" : ` · ${formatMoved(movedFrom, reading)}`}
    </p>
  );
}
