import { bandReport, oddsReport } from "./odds.ts";
import { projectionReport } from "./projections.ts";
import { ruleReports, type Mean } from "./rules.ts";
import { stallReport } from "./stalls.ts";

/* Prints what docs/test-bed.md says is measured. `npm run testbed [athletes] [seed]`. */

const [athletes = 200, seed = 1] = process.argv.slice(2).map(Number);
const percent = (n: number) => `${(100 * n).toFixed(1)} %`;
const spanned = ({ mean, low, high }: Mean, text: (n: number) => string) =>
  `${text(mean)} (${text(low)} to ${text(high)})`;
const plain = (n: number) => n.toFixed(1);

console.log(`${athletes} athletes, 26 weeks, seed ${seed}: docs/test-bed.md\n`);
console.log(
  "| rule | load rose | strength rose | sets missed | first missed in week | ever missed |",
);
console.log("|---|---|---|---|---|---|");
for (const rule of ruleReports(athletes, seed)) {
  console.log(
    `| ${rule.name} | ${spanned(rule.load, percent)} | ${spanned(rule.strength, percent)} | ${spanned(rule.missed, percent)} | ${spanned(rule.firstMissed, plain)} | ${percent(rule.everMissed)} |`,
  );
}
const stalls = stallReport(athletes, seed);
console.log(`
Stalls, ${stalls.stalled} athletes each
- false alarms within 26 weeks: ${percent(stalls.falseAlarms)} (a test that knows the athlete: ${percent(stalls.oracleFalseAlarms)})
- found: ${percent(stalls.found)} (${percent(stalls.oracleFound)})
- sessions to the alarm, in the middle: ${stalls.delay} (${stalls.oracleDelay}), ${(stalls.delay / stalls.oracleDelay).toFixed(2)} times
- where a session gains more than a day scatters (${stalls.clear}): ${percent(stalls.clearWithinFour)} within four sessions (${percent(stalls.oracleClearWithinFour)})
- a test that is told the noise and has to learn the gain: ${stalls.learnerDelay} sessions in the middle, ${percent(stalls.learnerClearWithinFour)} of the clear ones within four`);
const projections = projectionReport(athletes, seed);
console.log(`
Projections, ${projections.stated} stated
- the band held: ${percent(projections.held)}; too early ${percent(projections.early)}, too late ${percent(projections.late)}
- width of the band, in the middle: ${projections.width.toFixed(1)} times the likely number of sessions`);
console.log("\nOdds\n\n| called | targets | in the mean | met |\n|---|---|---|---|");
for (const { low, high, called, chance, met } of oddsReport(athletes, seed)) {
  console.log(
    `| ${percent(low)} to ${percent(high)} | ${called} | ${percent(chance)} | ${percent(met)} |`,
  );
}

const band = bandReport(athletes, seed);
console.log(`
Bands of main lines, ${band.sessions} sessions one to twelve weeks ahead
- held: ${percent(band.held)}; below ${percent(band.below)}, above ${percent(band.above)}; ${percent(band.width)} wide in the mean`);
