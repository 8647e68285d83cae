import type { MovementRef, Region } from "../../kernel/index.ts";
import type { LoadingKind } from "../../gym/index.ts";
import { directRegions, type Movement } from "../../movement/index.ts";

/** Under which words a muscle is looked for, in everyday speech and in anatomy's. */
const MUSCLE_WORDS: Readonly<Record<Region, string>> = {
  rectusFemoris: "quads quadriceps front thigh rectus femoris middle head",
  vastusLateralis: "quads quadriceps front thigh vastus lateralis vasti outer head sweep",
  vastusMedialis: "quads quadriceps front thigh vastus medialis vmo teardrop inner head",
  vastusIntermedius: "quads quadriceps front thigh vastus intermedius deep head",
  hamstringsKneeFlexion: "hamstrings hams hammies back thigh biceps femoris knee flexion",
  hamstringsHipExtension: "hamstrings hams hammies back thigh biceps femoris hip extension",
  gluteusMaximus: "glutes glute max gluteus maximus butt bum",
  gluteusMedius: "side glutes glute med gluteus medius abductors hip stabilisers",
  adductors: "adductors inner thigh groin",
  sartorius: "sartorius tailor muscle",
  gastrocnemius: "calves calf gastroc gastrocnemius",
  soleus: "calves calf soleus",
  tibialisAnterior: "shins tibialis anterior tibs",
  hipFlexors: "hip flexors iliopsoas psoas",
  spinalErectors: "lower back low back erectors spinal erector spinae",
  trunk: "core abs abdominals trunk",
  upperBack: "upper back traps",
  grip: "grip forearms",
};

/** A text as it is compared: small letters, no accents, hyphens as blanks, no apostrophes. */
function plain(text: string): string {
  return text
    .normalize("NFD")
    .replace(/[\u0300-\u036f'’]/g, "")
    .toLowerCase()
    .replace(/[-–/.,\s]+/g, " ")
    .trim();
}

/** The same without blanks, so that "dead lift", "step up" and "pull-through" are found however they are parted. */
const joined = (text: string) => plain(text).replaceAll(" ", "");

/** A word, and without the "s" or "es" of many. */
const inBothNumbers = (word: string): readonly string[] =>
  word.length > 3 && word.endsWith("s")
    ? [word, word.slice(0, -1), word.replace(/es$/, "")]
    : [word];

interface Searched {
  readonly words: string;
  readonly names: readonly string[];
}
const searched = new WeakMap<Movement, Searched>();

function searchedOf(movement: Movement): Searched {
  const known = searched.get(movement);
  if (known !== undefined) return known;
  const pattern = movement.pattern.replace(/([A-Z])/g, " $1");
  const made = {
    words: plain(
      [
        movement.name,
        ...movement.alsoCalled,
        pattern,
        ...directRegions(movement).map((region) => MUSCLE_WORDS[region]),
      ].join(" "),
    ),
    names: [movement.name, ...movement.alsoCalled].map(joined),
  };
  searched.set(movement, made);
  return made;
}

/** True when names, pattern and direct muscles together hold every word of the text. */
export function matchesText(movement: Movement, text: string): boolean {
  const typed = plain(text);
  if (typed === "") return true;
  const { words, names } = searchedOf(movement);
  return (
    typed.split(" ").every((word) => inBothNumbers(word).some((one) => words.includes(one))) ||
    names.some((name) => inBothNumbers(joined(text)).some((one) => name.includes(one)))
  );
}

/**
 * How well a name answers what was typed: whoever types a name means it, whatever else the session lacks. 4 for the
 * name itself, 3 for another name, 2 and 1 for one that begins so, 0 for none.
 */
export function namedBy(movement: Movement, text: string): number {
  const typed = inBothNumbers(joined(text)).filter((one) => one !== "");
  const [name = "", ...others] = searchedOf(movement).names;
  if (typed.includes(name)) return 4;
  if (others.some((other) => typed.includes(other))) return 3;
  if (typed.some((one) => name.startsWith(one))) return 2;
  return others.some((other) => typed.some((one) => other.startsWith(one))) ? 1 : 0;
}

/** Free loads serve whatever they can load; of machines the name says what they are for. */
const SERVES_ALL: ReadonlySet<LoadingKind> = new Set([
  "bar",
  "dumbbells",
  "freeObject",
  "band",
  "bodyweight",
  "unloaded",
]);
/** What a plain bar does not do: each is done on equipment that is called so. */
const BY_NAME_ONLY = /guided|angled|hexagonal|safety/i;

/**
 * What equipment of a name and kind is most likely used for: everything that free loads can load, and of a machine
 * the exercises that its name names, by any of their names.
 */
export function usesOf(
  name: string,
  kind: LoadingKind,
  movements: readonly Movement[],
): ReadonlySet<MovementRef> {
  const called = joined(name);
  const loadable = movements.filter(({ loadings }) => loadings.includes(kind));
  const named = loadable.filter((movement) =>
    searchedOf(movement).names.some((one) => one.length > 3 && called.includes(one)),
  );
  const special = named.filter((own) => BY_NAME_ONLY.test(own.name));
  const isAll = SERVES_ALL.has(kind) && special.length === 0;
  const uses = isAll ? loadable.filter((own) => !BY_NAME_ONLY.test(own.name)) : named;
  return new Set(uses.map(({ ref }) => ref));
}
