import { useId, useState } from "react";
import type { Region } from "~/core/kernel/index.ts";
import { LEG_VIEWS, type LegView } from "./leg-plate.ts";
import { steady } from "./steady.ts";
import { useMuscles } from "./wording.ts";
import plain from "../theme/plain.module.css";

/** Nothing; some, hatched; as much as is wanted, solid; more than that. */
export type Shade = "none" | "below" | "within" | "above";

export interface ShadedRegion {
  readonly region: Region;
  readonly shade: Shade;
  /** What is told of it: "6 sets, within the range". */
  readonly says: string;
}

/** How each shade is filled; what is below is hatched by a pattern of its own. */
const SHADES: Readonly<Record<Shade, string>> = {
  none: plain.none,
  below: "",
  within: plain.within,
  above: plain.above,
};

/** The muscles that are drawn, in the order in which arrows go through them. */
const DRAWN: readonly Region[] = [
  ...new Set(LEG_VIEWS.flatMap(({ muscles }) => muscles.map(([region]) => region))),
];

/**
 * The leg from three sides, each muscle shaded. The pointer or the arrow keys name a muscle and what is told of it below;
 * all of that stands as text beside it.
 */
export const LegMap = steady(function LegMap({
  about,
  regions,
  onPick = null,
}: {
  /** What is shown: "Hard sets of the week". */
  readonly about: string;
  readonly regions: readonly ShadedRegion[];
  /** What a press on a muscle does; Enter and space do it to the one that arrows went to. */
  readonly onPick?: ((region: Region) => void) | null;
}) {
  const muscles = useMuscles();
  const id = useId();
  const [named, setNamed] = useState<Region | null>(null);
  const by = new Map(regions.map((r) => [r.region, r]));
  const told = (region: Region) => `${muscles.label[region]}: ${by.get(region)?.says ?? "nothing"}`;
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (onPick !== null && named !== null && (event.key === "Enter" || event.key === " ")) {
      event.preventDefault();
      onPick(named);
      return;
    }
    const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const at = named === null ? (step > 0 ? -1 : 0) : DRAWN.indexOf(named);
    setNamed(DRAWN.at((at + step + DRAWN.length) % DRAWN.length) ?? null);
  };
  return (
    <div
      className={onPick === null ? plain.legFigure : `${plain.legFigure} ${plain.legPick}`}
      role="group"
      aria-label={`${about} on the leg; arrow keys go through the muscles${onPick === null ? "" : ", Enter marks one"}`}
      tabIndex={0}
      onKeyDown={onKeyDown}
      onBlur={() => setNamed(null)}
      onPointerLeave={() => setNamed(null)}
    >
      <div className={plain.legMap}>
        {LEG_VIEWS.map((view) => (
          <svg
            key={view.name}
            viewBox={view.viewBox}
            role="img"
            aria-label={`${view.name} of the leg: ${view.muscles
              .map(([region]) => region)
              .filter((region, i, all) => all.indexOf(region) === i)
              .map(told)
              .join(", ")}`}
          >
            <defs>
              <pattern
                id={`${id}-${view.name}`}
                width="14"
                height="14"
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(35)"
              >
                <path className={plain.hatch} d="M0 0V14" />
              </pattern>
            </defs>
            <path className={plain.outline} d={view.outline} />
            {view.middle.map((d) => (
              <path key={d} className={plain.legLine} d={d} />
            ))}
            <Leg
              view={view}
              hatch={`${id}-${view.name}`}
              by={by}
              named={named}
              onName={setNamed}
              onPick={onPick}
            />
            {view.mirror === null ? null : (
              <g transform={`matrix(-1 0 0 1 ${view.mirror} 0)`}>
                <Leg
                  view={view}
                  hatch={`${id}-${view.name}`}
                  by={by}
                  named={named}
                  onName={setNamed}
                  onPick={onPick}
                />
              </g>
            )}
          </svg>
        ))}
      </div>
      <p className={plain.legNamed} aria-live="polite">
        {named === null ? "Front, back, inner side" : told(named)}
      </p>
    </div>
  );
});

function Leg({
  view,
  hatch,
  by,
  named,
  onName,
  onPick,
}: {
  readonly view: LegView;
  /** The id of the pattern of what is hatched. */
  readonly hatch: string;
  readonly by: ReadonlyMap<Region, ShadedRegion>;
  readonly named: Region | null;
  readonly onName: (region: Region) => void;
  readonly onPick: ((region: Region) => void) | null;
}) {
  return (
    <>
      {view.muscles.map(([region, d]) => {
        const shade = by.get(region)?.shade ?? "none";
        return (
          <path
            key={d}
            className={`${plain.muscle} ${SHADES[shade]}`}
            data-named={region === named ? "" : undefined}
            d={d}
            style={shade === "below" ? { fill: `url(#${hatch})` } : undefined}
            onPointerEnter={() => onName(region)}
            {...(onPick === null ? {} : { onClick: () => onPick(region) })}
          />
        );
      })}
      {view.lines.map((d) => (
        <path key={d} className={plain.legLine} d={d} />
      ))}
    </>
  );
}
