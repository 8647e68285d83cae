import { addDays, instant, type Day, type Id, type Instant } from "~/core/kernel/index.ts";
import type { MeasurementForm } from "~/codec/measurement.ts";
import { saveBrief } from "../server/db/briefs.server.ts";
import { addMeasurement } from "../server/db/measurements.server.ts";
import type { Scope } from "../server/db/scope.server.ts";
import { BRIEFS } from "./briefs.ts";

interface Setting {
  readonly at: (instant: Instant) => Scope;
  readonly now: Instant;
  readonly today: Day;
  readonly gymId: Id<"gym">;
}

/** The brief as the coach wrote it, and one weighing a week. */
export async function seedBrief(
  { at, now, today, gymId }: Setting,
  name: string,
  person: Id<"person">,
): Promise<void> {
  const known = BRIEFS[name];
  if (known === undefined) return;
  const written = at(instant(now - 40 * 86_400_000));
  await saveBrief(written, person, 0, { ...known.document, gyms: [gymId] });
  const measure = async (weeksAgo: number, form: Omit<MeasurementForm, "day" | "note">) =>
    addMeasurement(at(now), person, { ...form, day: addDays(today, -7 * weeksAgo), note: "" });
  for (let weeksAgo = 6; weeksAgo >= 0 && known.weight !== null; weeksAgo -= 1) {
    const { start, weekly, unit } = known.weight;
    const thousandths = Math.round((start + weekly * (6 - weeksAgo)) * 10) * 100;
    await measure(weeksAgo, { kind: "bodyWeight", side: "both", value: { thousandths, unit } });
  }
  for (const [kind, side, cm] of known.girths) {
    await measure(2, { kind, side, value: { thousandths: Math.round(cm * 1000), unit: "cm" } });
  }
}
