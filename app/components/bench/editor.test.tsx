// @vitest-environment happy-dom
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { createRoutesStub } from "react-router";
import { afterEach, describe, expect, it, vi } from "vitest";
import { kg } from "~/core/kernel/index.ts";
import type { PlannedSet } from "~/core/plan/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { NOTATION, RACK, sampleNewId, sampleSet } from "~/tests/samples/index.ts";
import { typedNumber } from "~/codec/typed-cells.ts";
import { plannedSetField, TARGETS } from "~/core/plan/index.ts";
import { SetRow } from "./set-row.tsx";
import { SetForm } from "./set-form/set-form.tsx";
import { TypedCell } from "./typed-cell.tsx";
import { WrittenLine } from "./written-line.tsx";

afterEach(cleanup);

describe("a cell that is typed into", () => {
  const read = typedNumber(TARGETS.limit.definition.fields.likely, "amount");
  const cell = (
    onValue: (n: number) => void,
    onInvalid: (id: string, why: string | null) => void,
  ) => (
    <TypedCell
      label="Reps"
      value={8}
      show={String}
      read={read}
      onValue={onValue}
      onInvalid={onInvalid}
      width={80}
    />
  );

  it("gives on what is a value, at every letter", async () => {
    const onValue = vi.fn();
    render(cell(onValue, () => undefined));
    const field = screen.getByLabelText("Reps");
    await userEvent.clear(field);
    await userEvent.type(field, "12");
    expect(onValue.mock.calls).toEqual([[1], [12]]);
  });

  it("keeps what is none, says what was expected, and tells whoever saves", async () => {
    const [onValue, onInvalid] = [vi.fn(), vi.fn()];
    render(cell(onValue, onInvalid));
    const field = screen.getByLabelText("Reps");
    await userEvent.clear(field);
    await userEvent.type(field, "x");
    await userEvent.tab();
    expect(field).toHaveProperty("value", "x");
    expect(screen.getByRole("alert").textContent).toBe("Expected a whole number from 1 to 1000.");
    expect(onInvalid.mock.lastCall?.[1]).toContain("Reps: Expected");
    expect(onValue).not.toHaveBeenCalled();
  });
});

describe("the written line", () => {
  function Line({ onSets }: { readonly onSets: (sets: readonly PlannedSet[]) => void }) {
    const [sets, setSets] = useState<readonly PlannedSet[]>([]);
    return (
      <WrittenLine
        id="line"
        label="Sets"
        sets={sets}
        context={NOTATION}
        newId={sampleNewId}
        onSets={(to) => {
          setSets(to);
          onSets(to);
        }}
        onInvalid={() => undefined}
        isTaught
      />
    );
  }

  it("makes sets of what can be read, and is written out when it is left", async () => {
    const onSets = vi.fn();
    render(<Line onSets={onSets} />);
    const line = screen.getByLabelText("Sets");
    await userEvent.type(line, "2x8 at 60");
    await userEvent.tab();
    const sets = onSets.mock.lastCall?.[0] as readonly PlannedSet[];
    expect(sets.map(({ load }) => load)).toEqual([
      { kind: "absolute", reading: kg(60) },
      { kind: "absolute", reading: kg(60) },
    ]);
    expect(line).toHaveProperty("value", "2 x 8 at 60 kg RIR 2");
  });

  it("offers the word that fits, takes it by Tab, and names the place of what does not fit", async () => {
    render(<Line onSets={() => undefined} />);
    const line = screen.getByLabelText("Sets");
    await userEvent.type(line, "8 lea");
    expect(screen.getAllByRole("option").map((o) => o.textContent)).toEqual(["leave"]);
    await userEvent.keyboard("{Tab}");
    expect(line).toHaveProperty("value", "8 leave ");
    await userEvent.type(line, "2 §");
    expect(screen.getByRole("alert").textContent).toContain("“§” means nothing here.");
  });
});

describe("a set as a row", () => {
  it("shows a range of reps to leave, and takes one number instead of it", async () => {
    const onSet = vi.fn();
    function Row() {
      const [set, put] = useState(sampleSet(1, { effort: 1, effortUpTo: 3 }));
      return (
        <table>
          <tbody>
            <SetRow
              set={set}
              number={1}
              sets={[set]}
              movement={null}
              at={{ movement: "shipped:back-squat", loading: RACK, startsWith: "lower" }}
              notation={NOTATION}
              steps={[]}
              newId={sampleNewId}
              onChange={(change) => {
                const to = change(set);
                put(to);
                onSet(to);
              }}
              onDuplicate={() => undefined}
              onRemove={() => undefined}
              onInvalid={() => undefined}
              onGearFromHere={null}
            />
          </tbody>
        </table>
      );
    }
    render(<Row />);
    const reserve = screen.getByLabelText("RIR of set 1");
    expect(within(reserve).getByRole("option", { selected: true }).textContent).toBe("RIR 1–3");
    await userEvent.selectOptions(reserve, "4");
    // What the row makes can be stored: a range from 4 to 3 could not.
    expect(plannedSetField.safeParse(onSet.mock.lastCall?.[0])).toMatchObject({ success: true });
    expect(onSet.mock.lastCall?.[0]).toMatchObject({ effort: 4, effortUpTo: null });
    expect(within(reserve).queryByText("RIR 1–3")).toBeNull();
  });
});

describe("a set as a form", () => {
  function Form({ onSet }: { readonly onSet: (set: PlannedSet) => void }) {
    const [set, put] = useState(sampleSet(2));
    return (
      <SetForm
        set={set}
        number={2}
        movement={findMovement("shipped:back-squat")}
        place={{
          reading: kg(100),
          unit: "kg",
          before: [sampleSet(1)],
          movement: "shipped:back-squat",
          loading: RACK,
          startsWith: "lower",
        }}
        notation={NOTATION}
        newId={sampleNewId}
        onChange={(change) => {
          const to = change(set);
          put(to);
          onSet(to);
        }}
        onInvalid={() => undefined}
        onGearFromHere={null}
      />
    );
  }
  const open = () => {
    const onSet = vi.fn();
    const Stub = createRoutesStub([{ path: "/", Component: () => <Form onSet={onSet} /> }]);
    render(<Stub />);
    return () => onSet.mock.lastCall?.[0] as PlannedSet;
  };

  it("shows the parameters of the load rule that is chosen, and keeps what is put in", async () => {
    const set = open();
    const load = await screen.findByRole("group", { name: "Load of set 2" });
    await userEvent.selectOptions(within(load).getByLabelText("Rule, set 2"), "massFrom");
    expect(set().load).toMatchObject({ kind: "massFrom", basis: { kind: "set" } });
    const by = within(load).getByLabelText("By, kg, set 2");
    await userEvent.clear(by);
    await userEvent.type(by, "7,5");
    await userEvent.selectOptions(within(load).getByLabelText("Counted, set 2"), "perSide");
    await userEvent.selectOptions(within(load).getByLabelText("Than, set 2"), "last time");
    expect(set().load).toEqual({
      kind: "massFrom",
      by: "minus",
      mass: kg(7.5),
      counted: "perSide",
      basis: { kind: "last" },
    });
  });

  it("offers only more to leave as the upper end, and takes the range back with another least", async () => {
    const set = open();
    const effort = await screen.findByRole("group", { name: "Effort of set 2" });
    const upTo = within(effort).getByLabelText("Up to, set 2");
    expect(within(upTo).queryByText("RIR 1")).toBeNull();
    await userEvent.selectOptions(upTo, "RIR 4");
    expect(set()).toMatchObject({ effort: 2, effortUpTo: 4 });
    await userEvent.selectOptions(within(effort).getByLabelText("RIR, set 2"), "0");
    expect(set()).toMatchObject({ effort: 0, effortUpTo: null });
  });

  it("holds the load whatever its rule, and names gear", async () => {
    const set = open();
    await userEvent.type(await screen.findByLabelText("At most, kg, set 2"), "110");
    await userEvent.type(screen.getByLabelText("Gear, set 2"), "belt, straps");
    await userEvent.selectOptions(screen.getByLabelText("Range of the reps, set 2"), "stretched");
    expect(set()).toMatchObject({
      loadBounds: { least: null, most: kg(110) },
      gear: ["belt", "straps"],
      range: "stretched",
    });
  });

  it("takes the other limit along where one passes it", async () => {
    const set = open();
    await userEvent.type(await screen.findByLabelText("At most, kg, set 2"), "60");
    await userEvent.type(screen.getByLabelText("At least, kg, set 2"), "80");
    await userEvent.tab();
    expect(set().loadBounds).toEqual({ least: kg(80), most: kg(80) });
  });
});
