import { steady } from "./steady.ts";
import type { Region } from "~/core/kernel/index.ts";
import { formatSets } from "~/format/numbers.ts";
import plain from "../theme/plain.module.css";
import { useMuscles } from "./wording.ts";

/** How much of a region's band is reached: nothing, some, within, above. */
export type Shade = "none" | "below" | "within" | "above";

export interface ShadedRegion {
  readonly region: Region;
  readonly sets: number;
  readonly shade: Shade;
}

/** How each shade is filled; what is below is hatched by a pattern of its own. */
const SHADES: Readonly<Record<Shade, string>> = {
  none: plain.none,
  below: "",
  within: plain.within,
  above: plain.above,
};

type Part = readonly [Region, string];

/** Drawn by hand for Kravo on a grid of 100 by 240: a right leg, hip above, foot below. */
const VIEWS: readonly {
  readonly name: string;
  readonly outline: string;
  readonly parts: readonly Part[];
}[] = [
  {
    name: "Front",
    outline:
      "M28 4 C18 26 16 60 22 96 C25 112 28 122 30 134 C24 152 26 176 34 206 L32 226 L24 234 L52 236 L54 208 C60 180 62 158 57 134 C62 118 68 96 72 70 C75 46 74 22 70 4 Z",
    parts: [
      ["gluteusMedius", "M27 6 L20 36 L30 34 L36 8 Z"],
      ["hipFlexors", "M38 6 L58 6 L52 30 L36 28 Z"],
      ["adductors", "M60 8 L70 8 L72 56 L64 80 L58 40 Z"],
      ["sartorius", "M31 33 L37 31 L66 96 L62 118 L58 100 Z"],
      ["rectusFemoris", "M36 34 L48 34 L56 84 L48 112 L41 112 L35 80 Z"],
      ["vastusLateralis", "M21 42 L31 38 L33 82 L38 112 L31 116 L22 84 Z"],
      ["vastusIntermedius", "M33 44 L35 44 L36 84 L39 106 L37 106 L33 82 Z"],
      ["vastusMedialis", "M56 88 L60 104 L59 122 L51 118 L50 112 Z"],
      ["tibialisAnterior", "M33 140 L42 138 L44 174 L40 204 L36 196 L31 162 Z"],
      ["soleus", "M53 158 L58 152 L55 186 L50 204 L48 190 Z"],
    ],
  },
  {
    name: "Back",
    outline:
      "M30 4 C26 22 25 50 28 76 C31 100 36 118 40 134 C34 152 36 180 44 208 L42 228 L36 236 L64 236 L64 208 C72 184 74 156 68 134 C74 116 80 90 80 62 C80 38 78 20 72 4 Z",
    parts: [
      ["spinalErectors", "M33 1 L41 1 L41 9 L33 9 Z"],
      ["gluteusMedius", "M62 6 L74 10 L78 34 L64 24 Z"],
      ["gluteusMaximus", "M32 12 L60 12 L74 36 L70 58 L46 62 L29 46 Z"],
      ["adductors", "M29 52 L36 62 L38 92 L32 86 Z"],
      ["hamstringsHipExtension", "M40 66 L70 62 L74 86 L66 100 L44 100 L40 90 Z"],
      [
        "hamstringsKneeFlexion",
        "M44 103 L66 103 L68 126 L62 132 L60 114 L52 114 L48 132 L42 126 Z",
      ],
      [
        "gastrocnemius",
        "M41 140 L53 136 L55 176 L47 172 L40 156 Z M57 136 L68 140 L69 158 L63 174 L57 176 Z",
      ],
      ["soleus", "M46 177 L55 180 L64 177 L60 206 L50 206 Z"],
    ],
  },
  {
    name: "Inner",
    outline:
      "M30 4 C24 24 24 52 30 78 C34 100 38 118 40 134 C40 154 42 180 46 206 L24 228 L24 236 L62 236 L62 206 C70 184 72 158 66 134 C72 112 78 86 78 60 C78 38 76 18 70 4 Z",
    parts: [
      ["hipFlexors", "M34 6 L44 6 L42 30 L32 30 Z"],
      ["gluteusMaximus", "M64 14 L74 22 L77 48 L68 58 L60 36 Z"],
      ["adductors", "M46 12 L60 14 L64 60 L58 96 L50 76 L44 36 Z"],
      ["rectusFemoris", "M31 36 L38 36 L44 84 L42 106 L36 92 Z"],
      ["sartorius", "M41 34 L44 42 L54 90 L54 124 L48 108 Z"],
      ["vastusMedialis", "M44 92 L50 108 L50 126 L42 122 L40 108 Z"],
      ["hamstringsHipExtension", "M67 62 L76 62 L72 92 L62 94 Z"],
      ["hamstringsKneeFlexion", "M61 98 L71 96 L66 126 L58 126 Z"],
      ["gastrocnemius", "M56 140 L67 138 L68 160 L60 178 L54 164 Z"],
      ["soleus", "M48 150 L53 148 L58 180 L59 206 L50 206 Z"],
    ],
  },
];

const SHADE_NAMES: Readonly<Record<Shade, string>> = {
  none: "nothing",
  below: "below the range",
  within: "within the range",
  above: "above the range",
};

/** The leg from three sides, shaded by hard sets against the band. The numbers stand as text beside it. */
export const LegMap = steady(function LegMap({
  regions,
}: {
  readonly regions: readonly ShadedRegion[];
}) {
  const muscles = useMuscles();
  const by = new Map(regions.map((r) => [r.region, r]));
  return (
    <div className={plain.legMap}>
      {VIEWS.map((view) => (
        <div key={view.name}>
          <svg
            viewBox="10 0 76 240"
            role="img"
            aria-label={`${view.name} of the leg: ${view.parts
              .map(
                ([region]) =>
                  `${muscles.label[region]} ${SHADE_NAMES[by.get(region)?.shade ?? "none"]}`,
              )
              .join(", ")}`}
          >
            <defs>
              <pattern
                id={`hatch-${view.name}`}
                width="4"
                height="4"
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(35)"
              >
                <path className={plain.hatch} d="M0 0V4" />
              </pattern>
            </defs>
            <path className={plain.outline} d={view.outline} />
            {view.parts.map(([region, d]) => {
              const found = by.get(region);
              const shade = found?.shade ?? "none";
              return (
                <path
                  key={region}
                  className={SHADES[shade]}
                  d={d}
                  style={shade === "below" ? { fill: `url(#hatch-${view.name})` } : undefined}
                >
                  <title>{`${muscles.label[region]}: ${formatSets(found?.sets ?? 0)} sets, ${SHADE_NAMES[shade]}`}</title>
                </path>
              );
            })}
          </svg>
          <span className={`${plain.smallHeading} ${plain.soft}`}>{view.name}</span>
        </div>
      ))}
    </div>
  );
});
