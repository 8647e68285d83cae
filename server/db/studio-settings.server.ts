import { FIRST_SETTINGS, type StudioSettings } from "~/core/person/index.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { studioSettingsCodec } from "~/codec/studio-settings.ts";
import type { Scope } from "./scope.server.ts";

const documentColumn = jsonColumn(studioSettingsCodec);

/** What the studio has set for all of its coaches. */
export async function studioSettings(scope: Scope): Promise<StudioSettings> {
  const row = await scope.from("studio_settings").first("document");
  return settingsFrom(row?.["document"]);
}

/** The settings of a stored document; those of a new studio where there is none. */
export const settingsFrom = (document: unknown): StudioSettings =>
  document === undefined || document === null ? FIRST_SETTINGS : documentColumn.parse(document);

/** Sets them anew; of two coaches who do so at once, the later one holds. */
export async function saveStudioSettings(scope: Scope, settings: StudioSettings): Promise<void> {
  const row = {
    document: storedJson(studioSettingsCodec, settings),
    changed_at: scope.now,
    ...scope.by,
  };
  await scope.transaction(async (trx) => {
    const isThere = await trx.from("studio_settings").forUpdate().first("studio_id");
    if (isThere === undefined) await trx.insert("studio_settings", row);
    else await trx.from("studio_settings").update(row);
  });
}
