/** Muscle regions that movements load. The only list of them. Source: PRACTICE.md §2. */
export const REGIONS = [
  "rectusFemoris",
  "vastusLateralis",
  "vastusMedialis",
  "vastusIntermedius",
  "hamstringsKneeFlexion",
  "hamstringsHipExtension",
  "gluteusMaximus",
  "gluteusMedius",
  "adductors",
  "sartorius",
  "gastrocnemius",
  "soleus",
  "tibialisAnterior",
  "hipFlexors",
  "spinalErectors",
  "trunk",
  "upperBack",
  "grip",
] as const;
export type Region = (typeof REGIONS)[number];

/** The regions that are spoken of: the three vasti are trained together, so the lateral one stands for all. */
export const SPEAKING_REGIONS: readonly Region[] = REGIONS.filter(
  (region) => region !== "vastusMedialis" && region !== "vastusIntermedius",
);

export const JOINT_ACTIONS = [
  "kneeExtension",
  "kneeFlexion",
  "hipExtension",
  "hipFlexion",
  "hipAbduction",
  "hipAdduction",
  "anklePlantarFlexion",
  "ankleDorsiflexion",
  "trunkStability",
] as const;
export type JointAction = (typeof JOINT_ACTIONS)[number];

/** Length of the target muscle at the hardest point. */
export const MUSCLE_LENGTHS = ["stretched", "mid", "shortened"] as const;
export type MuscleLength = (typeof MUSCLE_LENGTHS)[number];

/**
 * The lengths at which a region can be hardest loaded by whole movements. Regions that mostly hold still
 * (upper back, grip) and sartorius, which is hardly stretched under load, have fewer. Source: our rule.
 */
export const TRAINABLE_LENGTHS: Readonly<Record<Region, readonly MuscleLength[]>> = {
  rectusFemoris: MUSCLE_LENGTHS,
  vastusLateralis: MUSCLE_LENGTHS,
  vastusMedialis: MUSCLE_LENGTHS,
  vastusIntermedius: MUSCLE_LENGTHS,
  hamstringsKneeFlexion: MUSCLE_LENGTHS,
  hamstringsHipExtension: MUSCLE_LENGTHS,
  gluteusMaximus: MUSCLE_LENGTHS,
  gluteusMedius: MUSCLE_LENGTHS,
  adductors: MUSCLE_LENGTHS,
  sartorius: ["mid", "shortened"],
  gastrocnemius: MUSCLE_LENGTHS,
  soleus: MUSCLE_LENGTHS,
  tibialisAnterior: MUSCLE_LENGTHS,
  hipFlexors: MUSCLE_LENGTHS,
  spinalErectors: MUSCLE_LENGTHS,
  trunk: MUSCLE_LENGTHS,
  upperBack: ["mid"],
  grip: ["mid"],
};

/** Where in the range the lift is hardest. */
export const RESISTANCE_PROFILES = ["bottom", "middle", "top", "even"] as const;
export type ResistanceProfile = (typeof RESISTANCE_PROFILES)[number];

/** Where in a repetition it sticks. */
export const STICKING_POINTS = ["bottom", "middle", "top"] as const;
export type StickingPoint = (typeof STICKING_POINTS)[number];

export const PATTERNS = [
  "squat",
  "press",
  "hinge",
  "thrust",
  "kneeExtension",
  "kneeFlexion",
  "lunge",
  "calf",
  "abduction",
  "adduction",
  "hipFlexion",
  "trunk",
  "isometric",
  "conditioning",
  "mobility",
] as const;
export type Pattern = (typeof PATTERNS)[number];

export const LATERALITIES = ["twoLegs", "oneLeg", "alternating"] as const;
export type Laterality = (typeof LATERALITIES)[number];

/** What gives out first, or what limited a set. */
export const LIMITERS = [
  "targetMuscle",
  "grip",
  "balance",
  "breath",
  "back",
  "padDiscomfort",
] as const;
export type Limiter = (typeof LIMITERS)[number];

export const FAULTS = [
  "hipsLift",
  "depthCut",
  "backRounds",
  "kneesCave",
  "swing",
  "bounce",
  "heelsLift",
  "rangeShortens",
  "trunkLeans",
  "hipShifts",
  "lowBackArches",
  "rushed",
] as const;
export type Fault = (typeof FAULTS)[number];

/** Joints and places where pain is recorded. */
export const JOINTS = [
  "knee",
  "hip",
  "ankle",
  "lowBack",
  "neck",
  "shoulder",
  "elbow",
  "other",
] as const;
export type Joint = (typeof JOINTS)[number];
