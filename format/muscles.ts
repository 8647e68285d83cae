import { REGIONS, SPEAKING_REGIONS, type Region } from "~/core/kernel/index.ts";
import type { MuscleNaming } from "~/core/person/index.ts";
import { directRegions, type Movement } from "~/core/movement/index.ts";

/** The name of every muscle region, as a label and as it stands within a sentence. */
export interface MuscleNames {
  /** Each head by itself: "Quads, outer head". */
  readonly label: Readonly<Record<Region, string>>;
  /** As a row of a table, where one stands for the three vasti: "Quads". */
  readonly row: Readonly<Record<Region, string>>;
}

const COACH: MuscleNames["label"] = {
  rectusFemoris: "Quads, middle head",
  vastusLateralis: "Quads, outer head",
  vastusMedialis: "Quads, inner head",
  vastusIntermedius: "Quads, deep head",
  hamstringsKneeFlexion: "Hamstrings, knee flexion",
  hamstringsHipExtension: "Hamstrings, hip extension",
  gluteusMaximus: "Glutes",
  gluteusMedius: "Side glutes",
  adductors: "Adductors",
  sartorius: "Sartorius",
  gastrocnemius: "Calves",
  soleus: "Calves, soleus",
  tibialisAnterior: "Shins",
  hipFlexors: "Hip flexors",
  spinalErectors: "Lower back",
  trunk: "Core",
  upperBack: "Upper back",
  grip: "Grip",
};

const LATIN: MuscleNames["label"] = {
  rectusFemoris: "Rectus femoris",
  vastusLateralis: "Vastus lateralis",
  vastusMedialis: "Vastus medialis",
  vastusIntermedius: "Vastus intermedius",
  hamstringsKneeFlexion: "Hamstrings, knee flexion",
  hamstringsHipExtension: "Hamstrings, hip extension",
  gluteusMaximus: "Gluteus maximus",
  gluteusMedius: "Gluteus medius",
  adductors: "Adductors",
  sartorius: "Sartorius",
  gastrocnemius: "Gastrocnemius",
  soleus: "Soleus",
  tibialisAnterior: "Tibialis anterior",
  hipFlexors: "Iliopsoas and hip flexors",
  spinalErectors: "Erector spinae",
  trunk: "Trunk",
  upperBack: "Upper back",
  grip: "Grip",
};

/** How each naming is offered. */
export const MUSCLE_NAMING_NAMES: Readonly<Record<MuscleNaming, string>> = {
  coach: "as coaches say: quads, glutes, calves",
  latin: "by anatomy: vasti, gluteus maximus, gastrocnemius",
};

/** The names of each naming. */
export const MUSCLES: Readonly<Record<MuscleNaming, MuscleNames>> = {
  coach: { label: COACH, row: { ...COACH, vastusLateralis: "Quads" } },
  latin: { label: LATIN, row: { ...LATIN, vastusLateralis: "Vasti" } },
};

/** "quads", "quads (inner head)": a muscle within a sentence, three vasti said as one. */
export function muscleInline(muscles: MuscleNames, region: Region): string {
  return muscles.row[region].toLowerCase().replace(/, (.+)$/, " ($1)");
}

/** The muscles that an exercise trains directly: "Quads, middle head · Quads"; three vasti are said as one. */
export function formatDirectRegions(movement: Movement, muscles: MuscleNames): string {
  const direct = directRegions(movement);
  const silent = REGIONS.filter((region) => !SPEAKING_REGIONS.includes(region));
  const names = silent.every((region) => direct.includes(region))
    ? direct.filter((region) => !silent.includes(region)).map((region) => muscles.row[region])
    : direct.map((region) => muscles.label[region]);
  return names.join(" · ");
}
