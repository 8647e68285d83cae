import Box from "@mui/material/Box";
import { useState } from "react";
import type { ReplanEvent } from "~/core/coach/replan/index.ts";
import type { Day, Id } from "~/core/kernel/index.ts";
import { JOINTS } from "~/core/kernel/index.ts";
import { PROVOCATIONS } from "~/core/person/index.ts";
import { PROVOCATION_NAMES } from "~/format/brief.ts";
import { EVENTS } from "~/format/replan.ts";
import { JOINT_NAMES } from "~/format/training.ts";
import { DayInput } from "../day-input.tsx";
import { Labelled, PlainInput, Select } from "../field.tsx";

/** What can be named in an event. */
export interface Nameable {
  readonly sessions: readonly { readonly value: string; readonly text: string }[];
  readonly stations: readonly { readonly id: Id<"station">; readonly name: string }[];
  readonly gyms: readonly { readonly id: Id<"gym">; readonly name: string }[];
  readonly today: Day;
  readonly ends: Day;
}

/** What happened: the kind of event, and what it asks for. `was` is what the address says. */
export function ReplanFields({
  nameable,
  was,
  children,
}: {
  readonly nameable: Nameable;
  readonly was: Readonly<Record<string, string>>;
  /** What stands behind the fields. */
  readonly children: React.ReactNode;
}) {
  const [kind, setKind] = useState(was["kind"] ?? "missed");
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2, alignItems: "end" }}>
      <Labelled id="replan-kind" label="What happened">
        <Select
          id="replan-kind"
          name="kind"
          value={kind}
          onChange={(event) => setKind(event.target.value)}
        >
          {EVENTS.map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </Select>
      </Labelled>
      <FieldsOf kind={kind as ReplanEvent["kind"]} nameable={nameable} was={was} />
      {children}
    </Box>
  );
}

function FieldsOf({
  kind,
  nameable: { sessions, stations, gyms, today, ends },
  was,
}: {
  readonly kind: ReplanEvent["kind"];
  readonly nameable: Nameable;
  readonly was: Readonly<Record<string, string>>;
}) {
  const field = { was };
  const from = <DateField {...field} name="from" label="From" usual={today} />;
  switch (kind) {
    case "missed":
      return (
        <Choose
          {...field}
          name="session"
          label="Session"
          options={sessions.map((s) => [s.value, s.text])}
        />
      );
    case "away":
      return (
        <>
          <Choose
            {...field}
            name="why"
            label="Why"
            options={[
              ["ill", "Ill"],
              ["away", "Away"],
            ]}
          />
          {from}
          <DateField {...field} name="to" label="Last day" usual={today} />
        </>
      );
    case "equipmentGone":
      return (
        <>
          <Choose
            {...field}
            name="station"
            label="Equipment"
            options={stations.map((s) => [s.id, s.name])}
          />
          {from}
          <DateField {...field} name="to" label="Last day, blank if not known" usual="" />
        </>
      );
    case "otherGym":
      return (
        <>
          <Choose {...field} name="gym" label="Gym" options={gyms.map((g) => [g.id, g.name])} />
          {from}
          <DateField {...field} name="to" label="Last day" usual={today} />
        </>
      );
    case "flareUp":
      return (
        <>
          <Choose
            {...field}
            name="joint"
            label="Joint"
            options={JOINTS.map((j) => [j, JOINT_NAMES[j]])}
          />
          <Choose
            {...field}
            name="provokedBy"
            label="Aggravated by"
            options={PROVOCATIONS.map((p) => [p, PROVOCATION_NAMES[p]])}
          />
          <NumberField {...field} name="severity" label="Pain, of 10" usual="5" />
          <NumberField {...field} name="allowed" label="Pain allowed up to" usual="2" />
          {from}
          <DateField {...field} name="to" label="Last day, blank if not known" usual="" />
        </>
      );
    case "showEarlier":
      return <DateField {...field} name="by" label="The phase ends by" usual={ends} />;
  }
}

interface FieldProps {
  readonly name: string;
  readonly label: string;
  readonly was: Readonly<Record<string, string>>;
}

function Choose({
  name,
  label,
  was,
  options,
}: FieldProps & { readonly options: readonly (readonly [string, string])[] }) {
  return (
    <Labelled id={`replan-${name}`} label={label}>
      <Select id={`replan-${name}`} name={name} defaultValue={was[name]}>
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </Select>
    </Labelled>
  );
}

function DateField({ name, label, was, usual }: FieldProps & { readonly usual: string }) {
  return (
    <Labelled id={`replan-${name}`} label={label}>
      <DayInput id={`replan-${name}`} name={name} defaultValue={was[name] ?? usual} />
    </Labelled>
  );
}

function NumberField({ name, label, was, usual }: FieldProps & { readonly usual: string }) {
  return (
    <Labelled id={`replan-${name}`} label={label}>
      <PlainInput
        id={`replan-${name}`}
        name={name}
        inputMode="numeric"
        size={4}
        maxLength={2}
        defaultValue={was[name] ?? usual}
      />
    </Labelled>
  );
}
