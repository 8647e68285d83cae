import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, redirect, useNavigation } from "react-router";
import { revisionField } from "~/codec/person.ts";
import { strengthRulesFormCodec } from "~/codec/strength-rules.ts";
import { kg } from "~/core/kernel/index.ts";
import { EQUATIONS, EQUATION_SOURCES, maximumFrom } from "~/core/progress/index.ts";
import { formatInUnit, formatPercent } from "~/format/numbers.ts";
import { EQUATION_NAMES, strictnessExamples } from "~/format/strength.ts";
import { saveStrengthRules, strengthRules } from "~/server/db/strength-rules.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/strength-rules.ts";
import { Choice, FieldErrors, TextInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Page, Section } from "../components/page.tsx";

export const loader = reading((scope) => strengthRules(scope));

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const form = await readForm(request);
  const submission = parseWithZod(form, { schema: strengthRulesFormCodec });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) return refused(submission.reply());
  const saved = await saveStrengthRules(scope, revision.data, submission.value);
  if (saved.ok) throw redirect("/strength-rules");
  return submission.reply({
    formErrors: [
      "Someone else saved these rules in the meantime. Yours are still in the form; open the page in another tab to compare.",
    ],
  });
});

/** How the studio estimates strength: which equation, and how much lighter stricter repetitions are taken. */
export default function StrengthRulesPage({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page
      title="Strength rules"
      lead="How Kravo estimates a 1RM, and loads from it. Sessions that have begun keep the rules they began with."
    >
      <RulesForm key={loaderData.revision} stored={loaderData} lastResult={actionData ?? null} />
      <Section title="What the equations make of 100 kg">
        <Ledger label="1RM by equation" head={["Reps to failure", ...NAMES]}>
          {[3, 5, 8, 10, 12, 15].map((reps) => (
            <tr key={reps}>
              <th scope="row">{reps}</th>
              {EQUATIONS.map((equation) => (
                <td key={equation} className="figure">
                  {formatInUnit(maximumFrom(HUNDRED, equation, reps), "kg")}
                </td>
              ))}
            </tr>
          ))}
        </Ledger>
        <Box component="ul" sx={{ color: "text.secondary", pl: 2.5 }}>
          {EQUATIONS.map((equation) => (
            <li key={equation}>{EQUATION_SOURCES[equation]}</li>
          ))}
        </Box>
        <Typography sx={{ maxWidth: 720 }}>
          They differ by more the more reps were done. None is right for everybody: where a client
          has logged sets of different loads, their own curve is weighed in, and every estimate has
          a range.
        </Typography>
      </Section>
    </Page>
  );
}

const HUNDRED = kg(100);
const NAMES = EQUATIONS.map((equation) => EQUATION_NAMES[equation]);

function RulesForm({
  stored: { rules, revision },
  lastResult,
}: {
  readonly stored: Route.ComponentProps["loaderData"];
  readonly lastResult: Route.ComponentProps["actionData"] | null;
}) {
  const isBusy = useNavigation().state !== "idle";
  const { strictness } = rules;
  const [form, fields] = useForm({
    ...(lastResult == null ? {} : { lastResult }),
    defaultValue: {
      equation: rules.equation,
      perSlowSecond: formatPercent(strictness.perSlowSecond),
      freeLowering: String(strictness.freeLowering),
      perHeldSecond: formatPercent(strictness.perHeldSecond),
      most: formatPercent(strictness.most),
    },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: strengthRulesFormCodec }),
    shouldRevalidate: "onInput",
  });
  return (
    <Form method="post" {...getFormProps(form)}>
      <input type="hidden" name="revision" value={revision} />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr", md: "1fr 2fr" },
          columnGap: 5,
          mb: 3,
        }}
      >
        <Section title="Equation">
          <Box sx={{ pt: 1.5 }}>
            <Choice
              field={fields.equation}
              label="1RM from a set"
              options={EQUATIONS.map((e) => [e, EQUATION_NAMES[e]])}
              hint="Used for every estimate and every load that follows from one."
            />
          </Box>
        </Section>
        <Section title="Stricter repetitions are taken lighter">
          <Box
            sx={{
              pt: 1.5,
              display: "grid",
              gridTemplateColumns: { xs: "1fr 1fr", md: "repeat(4, 1fr)" },
              columnGap: 2,
            }}
          >
            <TextInput
              field={fields.perSlowSecond}
              label="Slow second, %"
              inputMode="decimal"
              hint="for each second of lowering beyond"
            />
            <TextInput
              field={fields.freeLowering}
              label="Free lowering, s"
              inputMode="decimal"
              hint="that cost nothing"
            />
            <TextInput
              field={fields.perHeldSecond}
              label="Held second, %"
              inputMode="decimal"
              hint="in the stretch or squeeze of every rep"
            />
            <TextInput
              field={fields.most}
              label="At most, %"
              inputMode="decimal"
              hint="in all, whatever adds up"
            />
          </Box>
          <Typography>
            As saved: {strictnessExamples(strictness).join("; ")}. No study gives these numbers for
            everybody; they begin as a guess of ours.
          </Typography>
        </Section>
      </Box>
      <FieldErrors id={form.errorId} errors={form.errors} />
      <Button type="submit" variant="contained" disabled={isBusy} sx={{ mb: 4 }}>
        Save the rules
      </Button>
    </Form>
  );
}
