import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { SheetDay } from "~/core/phase/index.ts";
import { drawnOf, type GridRow } from "./rows.ts";

const [MONDAY, THURSDAY] = [{} as SheetDay, {} as SheetDay];
const rowOn = (day: SheetDay) => ({ day }) as GridRow;

describe("what stands under a day", () => {
  it("is every row of that day in its order, drawn or counted by a gap, and no gap beside another", () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 30 }), fc.nat(30), (isDrawn, first) => {
        const rows = isDrawn.map((_, i) => rowOn(i < first ? MONDAY : THURSDAY));
        for (const day of [MONDAY, THURSDAY]) {
          const own = rows.flatMap((row, at) => (row.day === day ? [at] : []));
          const drawn = drawnOf(rows, day, (at) => isDrawn[at] === true);
          const places = drawn.flatMap(({ row, at, left }) =>
            row === null ? Array.from({ length: left }, (_, i) => at + i) : [at],
          );
          expect(places).toEqual(own);
          for (const { row, at } of drawn) expect(row !== null).toBe(isDrawn[at]);
          drawn.slice(1).forEach((one, i) => {
            expect(one.row === null && drawn[i]?.row === null).toBe(false);
          });
        }
      }),
    );
  });
});
