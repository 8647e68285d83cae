import Typography from "@mui/material/Typography";
import { Link, data, redirect, useNavigation } from "react-router";
import { describeIssues } from "~/codec/save-plan.ts";
import { changeTemplateCodec, giveCodec } from "~/codec/template.ts";
import { dayAt, type Id } from "~/core/kernel/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { formatDay } from "~/format/numbers.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { copiesFor, planCopies } from "~/server/coaching/fitting.server.ts";
import { gymsToChoose, listStations } from "~/server/db/gyms.server.ts";
import { listPeople } from "~/server/db/people.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
import { changeTemplate, getTemplate, putTemplateAway } from "~/server/db/templates.server.ts";
import { isJson, readForm, readJson } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/template.ts";
import { TemplateEditor } from "../components/bench/template-editor.tsx";
import { CopiesForm, GiveForm } from "../components/give.tsx";
import { Page, Section } from "../components/page.tsx";

export const loader = reading(async (scope, { params, request }: Route.LoaderArgs) => {
  const template = orNotFound(await getTemplate(scope, idParam<"template">(params.templateId)));
  const search = new URL(request.url).searchParams;
  const give = giveCodec(dayAt(scope.now, "UTC")).safeParse({
    people: search.getAll("people"),
    gymId: search.get("gymId"),
    day: search.get("day"),
  });
  const [people, gyms, stations] = await Promise.all([
    listPeople(scope),
    gymsToChoose(scope),
    listStations(scope),
  ]);
  const given = give.success
    ? {
        ...give.data,
        copies: orNotFound(await copiesFor(scope, template.document, give.data)),
      }
    : null;
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  const isIncomplete = given === null && search.has("day");
  return { template, people, gyms, stations, given, isIncomplete, today };
});

/** Saves the template, puts it away or takes it back; or makes the copies that were accepted, all or none. */
export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const template = orNotFound(await getTemplate(scope, idParam<"template">(params.templateId)));
  if (isJson(request)) {
    return save(scope, template.id, await readJson(request));
  }
  const form = await readForm(request);
  const intent = form.get("intent");
  if (intent === "putAway" || intent === "takeBack") {
    await putTemplateAway(scope, template.id, intent === "putAway");
    throw redirect("/templates");
  }
  const give = giveCodec(dayAt(scope.now, "UTC")).safeParse({
    people: form.getAll("people"),
    gymId: form.get("gymId"),
    day: form.get("day"),
  });
  if (!give.success) return data({ problem: "Nobody was chosen." }, { status: 400 });
  const copies = orNotFound(await copiesFor(scope, template.document, give.data));
  await planCopies(scope, template.name, give.data, copies);
  const [only] = copies;
  throw redirect(copies.length === 1 && only !== undefined ? `/people/${only.person.id}` : "/");
});

async function save(scope: Scope, id: Id<"template">, body: unknown) {
  const parsed = changeTemplateCodec.safeParse(body);
  if (!parsed.success) {
    return data({ problem: describeIssues(parsed.error).join(" ") }, { status: 400 });
  }
  const { baseRevision, name, document } = parsed.data;
  const known = new Set((await listStations(scope, undefined, "all")).map((s) => s.id));
  if (slotsOf(document).some((slot) => !known.has(slot.station))) {
    return data({ problem: "Equipment of another studio cannot be used here." }, { status: 400 });
  }
  const saved = await changeTemplate(scope, id, baseRevision, { name, document });
  return saved.ok
    ? { revision: saved.value }
    : data(
        {
          problem:
            "Someone else saved this template in the meantime. Open it in another tab to compare.",
        },
        { status: 409 },
      );
}

/** Gives a template to several people: what each copy changes is read before any of them is made. */
export default function TemplatePage({ loaderData, actionData }: Route.ComponentProps) {
  const { template, people, gyms, stations, given, isIncomplete, today } = loaderData;
  const isBusy = useNavigation().state !== "idle";
  return (
    <Page
      title={template.name}
      lead={
        <>
          <Link to="/templates">Templates</Link> · assigned, it is fitted to level, kit, limits and
          time
        </>
      }
    >
      <TemplateEditor key={template.revision} {...template} stations={stations} />
      <Section title="Assign to">
        <GiveForm people={people} gyms={gyms} given={given} dayLabel="Day" today={today} />
      </Section>
      {isIncomplete ? (
        <Typography role="alert" sx={{ color: "kravo.signal", fontWeight: 650 }}>
          ▸ Expected at least one client, a gym and a day.
        </Typography>
      ) : null}
      {given === null ? null : (
        <Section title={`What changes, ${formatDay(given.day)}`}>
          <CopiesForm
            given={given}
            copies={given.copies.map(({ person, changes, plan }) => ({
              person,
              changes,
              about: `${slotsOf(plan).length} exercises`,
              obstacle: null,
            }))}
            problem={
              actionData === undefined || !("problem" in actionData) ? null : actionData.problem
            }
            isBusy={isBusy}
            submit="Plan these sessions"
          />
          <Typography variant="body2" sx={{ color: "text.secondary", mt: 1 }}>
            Each copy is a session of its own; open it to change anything.
          </Typography>
        </Section>
      )}
    </Page>
  );
}
