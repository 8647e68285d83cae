import { getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, redirect } from "react-router";
import { approachFormCodec } from "~/codec/approach.ts";
import { revisionField } from "~/codec/person.ts";
import {
  isApproachRef,
  EMPTY_BRIEF,
  QUESTION_GROUPS,
  QUESTIONS,
  sessionsAWeek,
  sideSays,
  sidesOfQuestion,
  studioApproach,
  volumeLimitsFor,
  weeklyBands,
  type Approach,
  type Question,
} from "~/core/person/index.ts";
import { SPEAKING_REGIONS } from "~/core/kernel/index.ts";
import { formatRange } from "~/format/volume.ts";
import { orNotFound } from "~/server/auth/session.server.ts";
import {
  changeApproach,
  copyApproach,
  getApproach,
  listOwnApproaches,
} from "~/server/db/approaches.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/approach.ts";
import { approachPath, approachRefIn } from "../components/approach-path.ts";
import { FieldErrors, Labelled, Select, TextBox, TextInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { OwnVolumeFields, ownVolumeDefaults } from "../components/own-volume.tsx";
import { Page, Section } from "../components/page.tsx";
import { useMuscles } from "../components/wording.ts";

async function approachAt(scope: Scope, address: string): Promise<Approach> {
  const ref = approachRefIn(address);
  return orNotFound(isApproachRef(ref) ? await getApproach(scope, ref) : null);
}

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const approach = await approachAt(scope, params.approach);
  const own = (await listOwnApproaches(scope)).find((a) => a.ref === approach.ref) ?? null;
  return { approach, revision: own?.revision ?? null };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const approach = await approachAt(scope, params.approach);
  const form = await readForm(request);
  if (form.get("intent") === "copy") {
    const id = await copyApproach(scope, approach);
    throw redirect(approachPath(studioApproach(id)));
  }
  const own = orNotFound(
    (await listOwnApproaches(scope)).find((a) => a.ref === approach.ref) ?? null,
  );
  const submission = parseWithZod(form, { schema: approachFormCodec });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) return refused(submission.reply());
  const saved = await changeApproach(scope, own.id, revision.data, submission.value);
  if (saved.ok) throw redirect(approachPath(approach.ref));
  return submission.reply({
    formErrors: [
      "Someone else saved this approach in the meantime. Yours is still in the form; open the page in another tab to compare.",
    ],
  });
});

export default function ApproachPage({ loaderData, actionData }: Route.ComponentProps) {
  const muscles = useMuscles();
  const { approach, revision } = loaderData;
  const { weekly, session, exercise, isolation } = volumeLimitsFor(approach, EMPTY_BRIEF);
  return (
    <Page
      title={approach.name}
      lead={approach.summary}
      actions={
        <Form method="post">
          <Button type="submit" name="intent" value="copy" variant="contained">
            Copy and change
          </Button>
        </Form>
      }
    >
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "1fr 1fr 1fr" },
          columnGap: 5,
        }}
      >
        <Lines title="What it holds" lines={approach.holds} />
        <Lines title="What others say against it" lines={approach.disputed} />
        <Lines
          title="Whom it suits"
          lines={[
            approach.suits,
            `Planned with ${sessionsAWeek(approach.stances)} leg ${sessionsAWeek(approach.stances) === 1 ? "session" : "sessions"} a week.`,
          ]}
        />
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,2fr) minmax(0,1fr)" },
          columnGap: 5,
        }}
      >
        <Section title="Its side on every open question">
          {Object.entries(QUESTION_GROUPS).map(([group, questions]) => (
            <Ledger key={group} label={group} head={[group, "Its view", "Others hold"]}>
              {questions.map((question: Question) => (
                <tr key={question}>
                  <Box
                    component="th"
                    scope="row"
                    sx={{ whiteSpace: "normal !important", width: "26%" }}
                  >
                    {QUESTIONS[question].asks}
                  </Box>
                  <Box component="td" sx={{ width: "32%" }}>
                    <strong>{sideSays(question, approach.stances[question])}</strong>
                  </Box>
                  <td>
                    {sidesOfQuestion(question)
                      .filter((side) => side !== approach.stances[question])
                      .map((side) => sideSays(question, side))
                      .join(" · ")}
                  </td>
                </tr>
              ))}
            </Ledger>
          ))}
        </Section>
        <Section title="Hard sets a week">
          <Ledger label="Weekly ranges" head={["Muscle", "From", "To"]}>
            {SPEAKING_REGIONS.map((region) => (
              <tr key={region}>
                <th scope="row">
                  {muscles.row[region]}
                  {weekly[region].whose === "view" ? "" : " · set by the studio"}
                </th>
                <td className="figure">{weekly[region].low}</td>
                <td className="figure">{weekly[region].high}</td>
              </tr>
            ))}
          </Ledger>
          <Typography variant="body2" sx={{ color: "text.secondary", mt: 1 }}>
            At most {session.sets} hard sets in a session and {exercise.sets} of one exercise.
            {isolation === null
              ? ""
              : ` At most ${isolation.sets} of a muscle in a week that is mostly isolation.`}{" "}
            Starting points, not limits and not a promise.
          </Typography>
        </Section>
      </Box>
      {revision === null ? null : (
        <Section title="Change ours">
          <ChangeApproach
            key={revision}
            approach={approach}
            revision={revision}
            lastResult={actionData ?? null}
          />
        </Section>
      )}
    </Page>
  );
}

function Lines({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  return (
    <Box component="section" aria-label={title} sx={{ mb: 3 }}>
      <Typography variant="h3" component="h2" sx={{ borderBottom: 2, borderColor: "kravo.ink" }}>
        {title}
      </Typography>
      {lines.map((line) => (
        <Typography key={line} sx={{ py: 0.75, borderBottom: 1, borderColor: "divider" }}>
          {line}
        </Typography>
      ))}
    </Box>
  );
}

function ChangeApproach({
  approach,
  revision,
  lastResult,
}: {
  readonly approach: Approach;
  readonly revision: number;
  readonly lastResult: SubmissionResult | null;
}) {
  const [form, fields] = useForm({
    id: "approach",
    lastResult,
    defaultValue: {
      name: approach.name,
      summary: approach.summary,
      suits: approach.suits,
      holds: approach.holds.join("\n"),
      disputed: approach.disputed.join("\n"),
      ownVolume: ownVolumeDefaults(approach.ownVolume),
    },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: approachFormCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  const views = weeklyBands(approach.stances);
  return (
    <Form method="post" {...getFormProps(form)}>
      <input type="hidden" name="revision" value={revision} />
      <FieldErrors id={form.errorId} errors={form.errors} />
      <Box sx={{ pt: 2, maxWidth: 760 }}>
        <TextInput field={fields.name} label="Name" />
        <TextInput field={fields.summary} label="In one sentence" />
        <TextBox field={fields.holds} label="What it holds, one view on each line" rows={3} />
        <TextBox field={fields.disputed} label="What others say against it" rows={3} />
        <TextInput field={fields.suits} label="Whom it suits" />
      </Box>
      {Object.entries(QUESTION_GROUPS).map(([group, questions]) => (
        <Box key={group} component="fieldset" sx={{ border: 0, p: 0, m: 0, mb: 2 }}>
          <Typography component="legend" variant="h3" sx={{ mb: 1 }}>
            {group}
          </Typography>
          <Box
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr", lg: "1fr 1fr 1fr" },
              columnGap: 3,
              alignItems: "end",
            }}
          >
            {questions.map((question: Question) => (
              <Labelled key={question} id={`stance-${question}`} label={QUESTIONS[question].asks}>
                <Select
                  id={`stance-${question}`}
                  name={`stance-${question}`}
                  defaultValue={approach.stances[question]}
                >
                  {sidesOfQuestion(question).map((side) => (
                    <option key={side} value={side}>
                      {sideSays(question, side)}
                    </option>
                  ))}
                </Select>
              </Labelled>
            ))}
          </Box>
        </Box>
      ))}
      <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, mb: 3 }}>
        <Typography component="legend" variant="h3" sx={{ mb: 1 }}>
          Own weekly ranges and caps
        </Typography>
        <OwnVolumeFields
          caps={fields.ownVolume.getFieldset()}
          weekly={fields.ownVolume.getFieldset().weekly.getFieldset()}
          otherwise={(region) => formatRange(views[region])}
        />
      </Box>
      <Button type="submit" variant="contained">
        Save
      </Button>
    </Form>
  );
}
