import { getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { Form, useSearchParams } from "react-router";
import { type Day, type MovementRef, JOINTS, PATTERNS } from "~/core/kernel/index.ts";
import {
  type Approach,
  CAUTIONS,
  GOALS,
  TIGHT_SPOTS,
  approachAmong,
  EMPTY_BRIEF,
  NO_OWN_VOLUME,
  volumeLimitsFor,
} from "~/core/person/index.ts";
import { LOADING_KINDS } from "~/core/gym/index.ts";
import { briefFormCodec, type BriefDocument } from "~/codec/brief.ts";
import {
  CAUTION_NAMES,
  GOAL_NAMES,
  HELPER_NAMES,
  LIMB_NAMES,
  PROVOCATION_OPTIONS,
  TIGHT_NAMES,
} from "~/format/brief.ts";
import { LOADING_NAMES } from "~/format/station.ts";
import { JOINT_NAMES, PATTERN_NAMES } from "~/format/training.ts";
import { formatRange } from "~/format/volume.ts";
import { DayField } from "../day-input.tsx";
import { useCatalogue } from "../catalogue.ts";
import { OwnVolumeFields, ownVolumeDefaults } from "../own-volume.tsx";
import { FormList } from "../form-list.tsx";
import { Choice, FieldErrors, TextInput, Ticks } from "../field.tsx";
import plain from "../../theme/plain.module.css";
import { BRIEF_STEPS, type BriefStep } from "./brief-steps.ts";
import { MuscleChoice } from "./muscle-choice.tsx";

const GRID = {
  display: "grid",
  gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr", md: "1fr 1fr 1fr" },
  columnGap: 2,
} as const;

const numberText = (n: number | null) => (n === null ? "" : String(n));

/** What a client may not train with; the body itself and the floor are always there. */
const RULED_OUT = LOADING_KINDS.filter((kind) => kind !== "bodyweight" && kind !== "unloaded");

/** What each field of the form starts with. */
export function briefDefaults(d: BriefDocument) {
  return {
    ...d,
    birthYear: numberText(d.birthYear),
    trainingYears: numberText(d.trainingYears),
    daysPerWeek: numberText(d.daysPerWeek),
    minutesCap: numberText(d.minutesCap),
    approach: d.approach ?? "",
    screenedOn: d.screenedOn ?? "",
    weakerSide: d.weakerSide ?? "",
    gear: d.gear.join(", "),
    ownVolume: ownVolumeDefaults(d.ownVolume),
    clearances: d.clearances.map((c) => ({ ...c, on: c.on ?? "" })),
    limits: d.limits.map((l) => ({
      ...l,
      since: l.since ?? "",
      severity: String(l.severity),
      allowed: String(l.allowed),
    })),
  };
}

const STEP_NAMES: Readonly<Record<BriefStep, string>> = {
  goal: "Goal and time",
  health: "Pains and screening",
  muscles: "Muscles",
  where: "Gym and equipment",
  body: "Body",
  ranges: "Weekly ranges",
};

/** In which part each field is. */
const STEP_OF: Readonly<Record<keyof BriefDocument, BriefStep>> = {
  goal: "goal",
  approach: "goal",
  birthYear: "goal",
  trainingYears: "goal",
  daysPerWeek: "goal",
  minutesCap: "goal",
  limits: "health",
  cautions: "health",
  screenedBy: "health",
  screenedOn: "health",
  clearances: "health",
  priorities: "muscles",
  notToGrow: "muscles",
  gyms: "where",
  helper: "where",
  gear: "where",
  noEquipment: "where",
  likes: "where",
  dislikes: "where",
  limbs: "body",
  weakerSide: "body",
  weakerSideCause: "body",
  tight: "body",
  ownVolume: "ranges",
};

/** The part of a field of the form, by its name: `limits[0].since` is of the limits. */
function stepOf(field: string): BriefStep | null {
  const [root = ""] = field.split(/[.[]/);
  return Object.hasOwn(STEP_OF, root) ? STEP_OF[root as keyof BriefDocument] : null;
}

/** Changes a brief. What is left empty is not known and constrains nothing. */
export function BriefForm({
  lastResult,
  document,
  revision,
  approaches,
  gyms,
  today,
}: {
  readonly lastResult: SubmissionResult | null;
  readonly document: BriefDocument;
  readonly revision: number;
  readonly approaches: readonly Approach[];
  readonly gyms: readonly { readonly id: string; readonly name: string }[];
  readonly today: Day;
}) {
  const schema = briefFormCodec(today);
  const approach = approachAmong(approaches, document.approach);
  const { weekly } = volumeLimitsFor(approach, {
    ...document,
    ownVolume: NO_OWN_VOLUME,
    level: EMPTY_BRIEF.level,
  });
  const [form, fields] = useForm({
    id: "brief",
    lastResult,
    defaultValue: briefDefaults(document),
    onValidate: ({ formData }) => parseWithZod(formData, { schema }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  const [search] = useSearchParams();
  const [step, setStep] = useState<BriefStep>(
    () => BRIEF_STEPS.find((own) => own === search.get("step")) ?? "goal",
  );
  const wrong = BRIEF_STEPS.filter((own) =>
    Object.keys(form.allErrors).some((name) => stepOf(name) === own),
  );
  const following = BRIEF_STEPS[BRIEF_STEPS.indexOf(step) + 1];
  const wrongNames = wrong.join(" ");
  // Where something is wrong elsewhere, that part is shown.
  useEffect(() => {
    const [first, ...others] = BRIEF_STEPS.filter((own) => wrongNames.split(" ").includes(own));
    if (first !== undefined) setStep((now) => ([first, ...others].includes(now) ? now : first));
  }, [wrongNames]);
  return (
    <Form method="post" {...getFormProps(form)}>
      <input type="hidden" name="revision" value={revision} />
      <FieldErrors id={form.errorId} errors={form.errors} />
      <Steps shown={step} wrong={wrong} onShow={setStep} />
      <Step of="goal" shown={step}>
        <Box sx={GRID}>
          <Choice
            field={fields.goal}
            label="Goal of the phase"
            options={GOALS.map((g) => [g, GOAL_NAMES[g]])}
          />
          <Choice
            field={fields.approach}
            label="Approach"
            options={[["", "The usual one"], ...approaches.map((a) => [a.ref, a.name] as const)]}
          />
          <TextInput field={fields.birthYear} label="Year of birth" inputMode="numeric" />
          <TextInput field={fields.trainingYears} label="Years of training" inputMode="decimal" />
          <TextInput field={fields.daysPerWeek} label="Leg days a week" inputMode="numeric" />
          <TextInput field={fields.minutesCap} label="Minutes for a session" inputMode="numeric" />
        </Box>
      </Step>
      <Step of="health" shown={step}>
        <Heading>Pains and limits</Heading>
        <FormList
          form={form}
          name={fields.limits.name}
          rows={fields.limits.getFieldList()}
          columns="1.2fr 2fr 1.4fr 1fr 1fr"
          one="limit"
          add="Add a limit"
          fresh={{ joint: "knee", provokedBy: "kneeLoad", since: "", severity: "3", allowed: "3" }}
        >
          {(limit, i) => {
            const row = limit.getFieldset();
            return (
              <>
                <Choice
                  field={row.joint}
                  label={`Joint ${i + 1}`}
                  options={JOINTS.map((j) => [j, JOINT_NAMES[j]])}
                />
                <Choice
                  field={row.provokedBy}
                  label="Aggravated by"
                  options={PROVOCATION_OPTIONS}
                />
                <DayField field={row.since} label="Since" lies="back" />
                <TextInput field={row.severity} label="How bad, of 10" inputMode="numeric" />
                <TextInput field={row.allowed} label="Pain allowed up to" inputMode="numeric" />
              </>
            );
          }}
        </FormList>
        <Typography variant="body2" sx={{ color: "text.secondary", mt: 1, maxWidth: "70ch" }}>
          Above what you allow, moderate and high stress of that kind is out; within it, high stress
          only. Joint or sharp pain stops an exercise; what lasts, or feels like a nerve, goes to a
          professional.
        </Typography>
        <Heading>Screening</Heading>
        <Ticks
          name={fields.cautions.name}
          chosen={document.cautions}
          options={CAUTIONS.map((c) => [c, CAUTION_NAMES[c]])}
        />
        <Box sx={GRID}>
          <TextInput
            field={fields.screenedBy}
            label="Screened by"
            hint="A qualified professional, by name or practice."
          />
          <DayField field={fields.screenedOn} label="On" lies="back" />
        </Box>
        <FormList
          form={form}
          name={fields.clearances.name}
          rows={fields.clearances.getFieldList()}
          columns="1.2fr 1.6fr 2fr 1.4fr"
          one="word"
          add="Add a medical clearance"
          fresh={{ verdict: "forbidden", pattern: "squat", by: "", on: "" }}
        >
          {(clearance, i) => {
            const row = clearance.getFieldset();
            return (
              <>
                <Choice
                  field={row.verdict}
                  label={`Word ${i + 1}`}
                  options={[
                    ["cleared", "Cleared"],
                    ["forbidden", "Forbidden"],
                  ]}
                />
                <Choice
                  field={row.pattern}
                  label="Exercises"
                  options={PATTERNS.map((p) => [p, PATTERN_NAMES[p]])}
                />
                <TextInput field={row.by} label="By whom" />
                <DayField field={row.on} label="When" lies="back" />
              </>
            );
          }}
        </FormList>
      </Step>
      <Step of="muscles" shown={step}>
        <MuscleChoice
          priorities={{ name: fields.priorities.name, chosen: document.priorities }}
          notToGrow={{
            name: fields.notToGrow.name,
            chosen: document.notToGrow,
            errors: fields.notToGrow.errors,
          }}
        />
      </Step>
      <Step of="where" shown={step}>
        <Ticks
          title="Gyms"
          name={fields.gyms.name}
          chosen={document.gyms}
          options={gyms.map((g) => [g.id, g.name])}
        />
        <Box sx={GRID}>
          <Choice
            field={fields.helper}
            label="Spotter or partner"
            options={Object.entries(HELPER_NAMES)}
          />
          <TextInput field={fields.gear} label="Own gear" hint="belt, straps, sleeves …" />
        </Box>
        <Ticks
          title="Does not train with"
          name={fields.noEquipment.name}
          chosen={document.noEquipment}
          options={RULED_OUT.map((kind) => [kind, LOADING_NAMES[kind]])}
        />
        <MovementList label="Likes" name={fields.likes.name} chosen={document.likes} />
        <MovementList
          label="Dislikes"
          name={fields.dislikes.name}
          chosen={document.dislikes}
          errors={fields.dislikes.errors}
        />
      </Step>
      <Step of="body" shown={step}>
        <Box sx={GRID}>
          <Choice field={fields.limbs} label="Proportions" options={Object.entries(LIMB_NAMES)} />
          <Choice
            field={fields.weakerSide}
            label="Weaker side"
            options={[
              ["", "Neither, or not known"],
              ["left", "Left"],
              ["right", "Right"],
            ]}
          />
          <TextInput field={fields.weakerSideCause} label="Its cause, where known" />
        </Box>
        <Ticks
          title="Mobility limits"
          name={fields.tight.name}
          chosen={document.tight}
          options={TIGHT_SPOTS.map((t) => [t, TIGHT_NAMES[t]])}
        />
      </Step>
      <Step of="ranges" shown={step}>
        <OwnVolumeFields
          caps={fields.ownVolume.getFieldset()}
          weekly={fields.ownVolume.getFieldset().weekly.getFieldset()}
          otherwise={(region) => formatRange(weekly[region])}
        />
      </Step>
      <Box sx={{ display: "flex", gap: 2 }}>
        {following === undefined ? null : (
          <Button type="button" variant="outlined" onClick={() => setStep(following)}>
            Next: {STEP_NAMES[following]}
          </Button>
        )}{" "}
        <Button type="submit" variant="contained">
          Save the brief
        </Button>
      </Box>
    </Form>
  );
}

function Heading({ children }: { readonly children: React.ReactNode }) {
  return (
    <Typography variant="h3" sx={{ mt: 2, mb: 1 }}>
      {children}
    </Typography>
  );
}

/** One part of the form; the others stay in it, out of sight. */
function Step({
  of,
  shown,
  children,
}: {
  readonly of: BriefStep;
  readonly shown: BriefStep;
  readonly children: React.ReactNode;
}) {
  return (
    <Box
      component="fieldset"
      hidden={of !== shown}
      sx={{ border: 0, p: 0, m: 0, mb: 2, pt: 2, minWidth: 0 }}
    >
      <Box component="legend" sx={{ position: "absolute", left: -9999 }}>
        {STEP_NAMES[of]}
      </Box>
      {children}
    </Box>
  );
}

/** The parts of the form in the order in which a coach asks; one that holds something wrong is marked. */
function Steps({
  shown,
  wrong,
  onShow,
}: {
  readonly shown: BriefStep;
  readonly wrong: readonly BriefStep[];
  readonly onShow: (step: BriefStep) => void;
}) {
  return (
    <nav aria-label="Steps of the brief" className={plain.steps}>
      {BRIEF_STEPS.map((step, i) => (
        <button
          key={step}
          type="button"
          aria-current={step === shown ? "step" : undefined}
          onClick={() => onShow(step)}
        >
          <span>{i + 1}</span> {STEP_NAMES[step]}
          {wrong.includes(step) ? <b> ▸ check</b> : null}
        </button>
      ))}
    </nav>
  );
}

function MovementList({
  label,
  name,
  chosen,
  errors,
}: {
  readonly label: string;
  readonly name: string;
  readonly chosen: readonly MovementRef[];
  readonly errors?: readonly string[] | undefined;
}) {
  const catalogue = useCatalogue();
  const [refs, setRefs] = useState<readonly MovementRef[]>(chosen);
  return (
    <Box sx={{ mb: 2, maxWidth: 720 }}>
      {refs.map((ref) => (
        <input key={ref} type="hidden" name={name} value={ref} />
      ))}
      <Typography variant="overline" component="span" id={`${name}-label`}>
        {label}
      </Typography>
      <Autocomplete
        multiple
        size="small"
        options={catalogue.all.map((m) => m.ref)}
        getOptionLabel={(ref) => catalogue.find(ref)?.name ?? ref}
        value={[...refs]}
        onChange={(_, value) => setRefs(value)}
        renderInput={(params) => (
          <TextField
            {...params}
            placeholder="Type an exercise"
            slotProps={{
              ...params.slotProps,
              htmlInput: { ...params.slotProps.htmlInput, "aria-labelledby": `${name}-label` },
            }}
          />
        )}
      />
      <FieldErrors id={`${name}-error`} errors={errors} />
    </Box>
  );
}
