/** What a set is for. */
export const SET_ROLES = [
  "ramp",
  "primer",
  "calibration",
  "work",
  "top",
  "backOff",
  "burnout",
] as const;
export type SetRole = (typeof SET_ROLES)[number];

/** Roles that never count as hard sets and that progression does not judge. */
export function isPreparatory(role: SetRole): boolean {
  return role === "ramp" || role === "primer";
}
