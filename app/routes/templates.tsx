import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, data, redirect } from "react-router";
import { keepTemplateCodec } from "~/codec/template.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { orNotFound } from "~/server/auth/session.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { addTemplate, listTemplates } from "~/server/db/templates.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/templates.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { Empty, Page } from "../components/page.tsx";

export const loader = reading(async (scope) => {
  return { templates: await listTemplates(scope) };
});

/** Keeps a plan, as it was last saved, as a template. */
export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const parsed = keepTemplateCodec.safeParse(Object.fromEntries(await readForm(request)));
  if (!parsed.success) return data({ problem: "Expected a plan and a name." }, { status: 400 });
  const plan = orNotFound(await getPlan(scope, parsed.data.planId));
  const id = await addTemplate(scope, parsed.data.name, plan.document);
  throw redirect(`/templates/${id}`);
});

/** Sessions that the studio keeps to begin others from. */
export default function Templates({ loaderData: { templates } }: Route.ComponentProps) {
  const { find } = useCatalogue();
  const kept = templates.filter((template) => !template.isPutAway);
  const putAway = templates.filter((template) => template.isPutAway);
  return (
    <Page
      title="Templates"
      lead="Sessions to begin others from. Given to somebody, each copy is fitted to level, kit, limits and time, and says what was changed."
    >
      {kept.length === 0 ? (
        <Empty>None kept yet. Open a session on its bench and choose “Keep as template”.</Empty>
      ) : null}
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {kept.map((template) => (
          <Box
            component="li"
            key={template.id}
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
            <Typography variant="h3" component="h2">
              <Link to={`/templates/${template.id}`}>{template.name}</Link>
            </Typography>
            <Typography sx={{ flexGrow: 1, color: "text.secondary" }}>
              {slotsOf(template.document)
                .map((slot) => find(slot.movement)?.name ?? slot.movement)
                .join(", ")}
            </Typography>
            <Form method="post" action={`/templates/${template.id}`}>
              <input type="hidden" name="intent" value="putAway" />
              <Button type="submit" size="small" aria-label={`Put ${template.name} away`}>
                Put away
              </Button>
            </Form>
          </Box>
        ))}
      </Box>
      {putAway.length === 0 ? null : (
        <Box component="details" sx={{ mt: 3 }}>
          <Box component="summary" sx={{ cursor: "pointer", py: 0.5 }}>
            {putAway.length} put away
          </Box>
          {putAway.map((template) => (
            <Form key={template.id} method="post" action={`/templates/${template.id}`}>
              <input type="hidden" name="intent" value="takeBack" />
              {template.name}{" "}
              <Button type="submit" size="small" aria-label={`Take ${template.name} back`}>
                Take back
              </Button>
            </Form>
          ))}
        </Box>
      )}
    </Page>
  );
}
