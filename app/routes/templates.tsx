import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, data, redirect } from "react-router";
import { keepTemplateCodec } from "~/codec/template.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { formatFrame } from "~/format/fitting.ts";
import { plural } from "~/format/numbers.ts";
import { WEEKDAYS } from "~/format/phase.ts";
import { orNotFound } from "~/server/auth/session.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { listPhaseTemplates } from "~/server/db/phase-templates.server.ts";
import { addTemplate, listTemplates } from "~/server/db/templates.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/templates.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { Empty, Page, Section } from "../components/page.tsx";
import { useMuscles } from "../components/wording.ts";

export const loader = reading(async (scope) => {
  const [templates, phases] = await Promise.all([listTemplates(scope), listPhaseTemplates(scope)]);
  return {
    templates: templates.map(({ id, name, isPutAway, document }) => ({
      id,
      name,
      isPutAway,
      at: `/templates/${id}`,
      slots: slotsOf(document).map(({ movement, frame }) => ({ movement, frame })),
    })),
    phases: phases.map(({ id, name, isPutAway, document: { weeks, days } }) => ({
      id,
      name,
      isPutAway,
      at: `/phase-templates/${id}`,
      about: [
        plural(weeks.length, "week"),
        ...days.map(({ weekday, title }) => `${WEEKDAYS[weekday - 1] ?? ""} ${title}`),
      ].join(" · "),
    })),
  };
});

/** Keeps a plan, as it was last saved, as a template. */
export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const parsed = keepTemplateCodec.safeParse(Object.fromEntries(await readForm(request)));
  if (!parsed.success) return data({ problem: "Expected a plan and a name." }, { status: 400 });
  const plan = orNotFound(await getPlan(scope, parsed.data.planId));
  const id = await addTemplate(scope, parsed.data.name, plan.document);
  throw redirect(`/templates/${id}`);
});

/** Sessions and phases that the studio keeps to begin others from. */
export default function Templates({ loaderData: { templates, phases } }: Route.ComponentProps) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const sessions = templates.map((own) => ({
    ...own,
    about: own.slots
      .map(({ movement, frame }) =>
        frame === null ? (find(movement)?.name ?? movement) : formatFrame(frame, muscles),
      )
      .join(", "),
  }));
  return (
    <Page
      title="Templates"
      lead="Sessions and phases to begin others from. Given to a client, each copy is fitted to level, equipment, limits and time, and says what was changed."
    >
      <Section title="Phases">
        <Kept
          kept={phases}
          none="None kept yet. Open the sheet of a phase and choose “Keep as template”."
        />
      </Section>
      <Section title="Sessions">
        <Kept
          kept={sessions}
          none="None kept yet. Open a session in its editor and choose “Keep as template”."
        />
      </Section>
    </Page>
  );
}

interface KeptEntry {
  readonly id: string;
  readonly name: string;
  readonly isPutAway: boolean;
  readonly at: string;
  readonly about: string;
}

function Kept({ kept: all, none }: { readonly kept: readonly KeptEntry[]; readonly none: string }) {
  const kept = all.filter(({ isPutAway }) => !isPutAway);
  const putAway = all.filter(({ isPutAway }) => isPutAway);
  return (
    <>
      {kept.length === 0 ? <Empty>{none}</Empty> : null}
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {kept.map(({ id, name, at, about }) => (
          <Box
            component="li"
            key={id}
            sx={{
              display: "flex",
              gap: 2,
              py: 1.25,
              alignItems: "baseline",
              flexWrap: "wrap",
              borderBottom: 1,
              borderColor: "divider",
            }}
          >
            <Typography variant="h3" component="h3">
              <Link to={at}>{name}</Link>
            </Typography>
            <Typography sx={{ flex: "1 1 20rem", color: "text.secondary" }}>{about}</Typography>
            <Form method="post" action={at}>
              <input type="hidden" name="intent" value="putAway" />
              <Button type="submit" size="small" aria-label={`Archive ${name}`}>
                Archive
              </Button>
            </Form>
          </Box>
        ))}
      </Box>
      {putAway.length === 0 ? null : (
        <Box component="details" sx={{ mt: 3 }}>
          <Box component="summary" sx={{ cursor: "pointer", py: 0.5 }}>
            {putAway.length} archived
          </Box>
          {putAway.map(({ id, name, at }) => (
            <Form key={id} method="post" action={at}>
              <input type="hidden" name="intent" value="takeBack" />
              {name}{" "}
              <Button type="submit" size="small" aria-label={`Restore ${name}`}>
                Restore
              </Button>
            </Form>
          ))}
        </Box>
      )}
    </>
  );
}
