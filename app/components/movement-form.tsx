import { getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form } from "react-router";
import { movementFormCodec } from "~/codec/movement.ts";
import {
  type MovementRef,
  FAULTS,
  JOINT_ACTIONS,
  LATERALITIES,
  LIMITERS,
  MUSCLE_LENGTHS,
  PATTERNS,
  REGIONS,
  RESISTANCE_PROFILES,
} from "~/core/kernel/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import { LOADING_KINDS } from "~/core/gym/index.ts";
import { LOADING_NAMES } from "~/format/station.ts";
import {
  ACTION_NAMES,
  FAULT_NAMES,
  LATERALITY_NAMES,
  LENGTH_NAMES,
  LEVEL_NAMES,
  LIMITER_NAMES,
  PATTERN_NAMES,
  PROFILE_NAMES,
} from "~/format/training.ts";
import { useCatalogue } from "./catalogue.ts";
import { FormList } from "./form-list.tsx";
import { Choice, FieldErrors, TextBox, TextInput, Ticks } from "./field.tsx";
import { useMuscles } from "./wording.ts";

const STRESSES = [
  ["none", "none"],
  ["low", "low"],
  ["moderate", "moderate"],
  ["high", "high"],
] as const;

const GRID = {
  display: "grid",
  gridTemplateColumns: { xs: "1fr 1fr", md: "repeat(4, 1fr)" },
  columnGap: 2,
} as const;

/** What each field starts with: the movement to change, or the one that a new one is written from. */
function defaultsOf(m: Movement) {
  return {
    ...m,
    alsoCalled: m.ref.startsWith("studio:") ? m.alsoCalled.join(", ") : "",
    direct: m.regions.filter((r) => r.share === 1).map((r) => r.region),
    assisting: m.regions.filter((r) => r.share < 1).map((r) => r.region),
    toTheLimit: m.safeAlone.toTheLimit ? "on" : "",
    how: m.safeAlone.how,
    usualRep: String(m.usualRep),
    setUp: m.setUp
      .map((p) => `${p.name}: ${[p.usual, ...p.choices.filter((c) => c !== p.usual)].join(", ")}`)
      .join("\n"),
    cues: m.cues.join("\n"),
    cautions: m.cautions.join("\n"),
    faults: [...m.faults],
    substitutes: [...m.substitutes],
    regions: undefined,
    safeAlone: undefined,
  };
}

/** Writes or changes a movement of the studio's own, with every field that a shipped one has. */
export function MovementForm({
  movement,
  self,
  revision,
  lastResult,
  submit,
}: {
  readonly movement: Movement;
  readonly self: MovementRef | null;
  readonly revision: number;
  readonly lastResult: SubmissionResult | null;
  readonly submit: string;
}) {
  const muscles = useMuscles();
  const { all, find } = useCatalogue();
  const schema = movementFormCodec((ref) => find(ref) !== null, self, movement.setUp);
  const defaults = defaultsOf(movement);
  const [form, fields] = useForm({
    id: "movement",
    lastResult,
    defaultValue: defaults,
    onValidate: ({ formData }) => parseWithZod(formData, { schema }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  const named = <T extends string>(keys: readonly T[], names: Readonly<Record<T, string>>) =>
    keys.map((key) => [key, names[key]] as const);
  return (
    <Form method="post" {...getFormProps(form)}>
      <input type="hidden" name="revision" value={revision} />
      <FieldErrors id={form.errorId} errors={form.errors} />
      <Box sx={GRID}>
        <TextInput field={fields.name} label="Name" />
        <TextInput
          field={fields.alsoCalled}
          label="Also called"
          hint="found under these too; commas between them"
        />
        <Choice field={fields.pattern} label="Pattern" options={named(PATTERNS, PATTERN_NAMES)} />
        <Choice
          field={fields.laterality}
          label="Legs"
          options={named(LATERALITIES, LATERALITY_NAMES)}
        />
        <Choice
          field={fields.difficulty}
          label="Needs at least"
          options={Object.entries(LEVEL_NAMES)}
        />
        <Choice
          field={fields.length}
          label="Target muscle, hardest when"
          options={named(MUSCLE_LENGTHS, LENGTH_NAMES)}
        />
        <Choice
          field={fields.profile}
          label="Resistance curve"
          options={named(RESISTANCE_PROFILES, PROFILE_NAMES)}
        />
        <Choice
          field={fields.stability}
          label="Stability"
          options={[
            ["supported", "supported"],
            ["guided", "guided"],
            ["free", "free"],
          ]}
        />
        <Choice
          field={fields.givesOutFirst}
          label="Gives out first"
          options={named(LIMITERS, LIMITER_NAMES)}
        />
        <Choice field={fields.spinalLoad} label="Load on the spine" options={STRESSES} />
        <Choice field={fields.kneeStress} label="Stress on the knee" options={STRESSES} />
        <Choice field={fields.hipStress} label="Stress on the hip" options={STRESSES} />
        <Choice
          field={fields.setUpEffort}
          label="Set-up effort"
          options={[
            ["little", "little"],
            ["some", "some"],
            ["much", "much"],
          ]}
        />
        <Choice
          field={fields.tempoStart}
          label="A rep starts with"
          options={[
            ["lower", "lowering"],
            ["lift", "lifting"],
          ]}
        />
        <TextInput field={fields.usualRep} label="Usual rep, seconds" inputMode="decimal" />
      </Box>
      <Ticks
        title="Trains directly"
        name="direct"
        chosen={defaults.direct}
        options={named(REGIONS, muscles.label)}
        errors={fields.direct.errors}
      />
      <Ticks
        title="Indirect"
        name="assisting"
        chosen={defaults.assisting}
        options={named(REGIONS, muscles.label)}
      />
      <Ticks
        title="Joint actions"
        name="jointActions"
        chosen={movement.jointActions}
        options={named(JOINT_ACTIONS, ACTION_NAMES)}
        errors={fields.jointActions.errors}
      />
      <Ticks
        title="Loaded by"
        name="loadings"
        chosen={movement.loadings}
        options={named(LOADING_KINDS, LOADING_NAMES)}
        errors={fields.loadings.errors}
      />
      <Ticks
        title="Alone"
        name="toTheLimit"
        chosen={movement.safeAlone.toTheLimit ? ["on"] : []}
        options={[["on", "Safe alone to failure"]]}
      />
      <TextInput field={fields.how} label="How to get out of it alone" />
      <Box sx={{ display: "grid", gridTemplateColumns: { md: "1fr 1fr" }, columnGap: 3 }}>
        <TextInput field={fields.takeUp} label="Taking up the load" />
        <TextInput field={fields.putBack} label="Putting it back" />
        <TextInput field={fields.breathing} label="Breathing and bracing" />
        <TextInput field={fields.spotting} label="Spotting" />
        <TextBox field={fields.cues} label="Cues, one on each line" rows={3} />
        <TextBox field={fields.cautions} label="Cautions, one on each line" rows={3} />
      </Box>
      <TextBox
        field={fields.setUp}
        label="Set-up, one parameter on each line"
        hint="Stance: hip width, wide. The first choice is the usual one."
        rows={2}
      />
      <Typography variant="h3" component="h2" sx={{ mt: 1 }}>
        Faults
      </Typography>
      <FieldErrors id="faults-error" errors={fields.faults.errors} />
      <FormList
        form={form}
        name={fields.faults.name}
        rows={fields.faults.getFieldList()}
        columns="1.2fr 2fr 2fr 2fr"
        one="fault"
        add="Add a fault"
        fresh={{ fault: "rangeShortens", cause: "", cue: "", corrective: "" }}
      >
        {(row) => {
          const f = row.getFieldset();
          return (
            <>
              <Choice field={f.fault} label="When" options={named(FAULTS, FAULT_NAMES)} />
              <TextInput field={f.cause} label="Likely cause" />
              <TextInput field={f.cue} label="Cue" />
              <TextInput field={f.corrective} label="Corrective" />
            </>
          );
        }}
      </FormList>
      <Typography variant="h3" component="h2" sx={{ mt: 2 }}>
        Substitutes
      </Typography>
      <FieldErrors id="substitutes-error" errors={fields.substitutes.errors} />
      <FormList
        form={form}
        name={fields.substitutes.name}
        rows={fields.substitutes.getFieldList()}
        columns="2fr 3fr"
        one="substitute"
        add="Add a substitute"
        fresh={{ movement: "shipped:leg-press", reason: "" }}
      >
        {(row, i) => {
          const s = row.getFieldset();
          return (
            <>
              <Choice
                field={s.movement}
                label={`Instead ${i + 1}`}
                options={all.map((m) => [m.ref, m.name])}
              />
              <TextInput field={s.reason} label="Good for" />
            </>
          );
        }}
      </FormList>
      <Box sx={{ mt: 2 }}>
        <Button type="submit" variant="contained">
          {submit}
        </Button>
      </Box>
    </Form>
  );
}
