import { applied, kindsOf, unionOf, type FamilyOf, type NewId } from "../kernel/index.ts";
import * as breather from "./extension/breather.ts";
import * as cluster from "./extension/cluster.ts";
import * as drop from "./extension/drop.ts";
import * as endHold from "./extension/end-hold.ts";
import * as forced from "./extension/forced.ts";
import * as partials from "./extension/partials.ts";
import * as positionChange from "./extension/position-change.ts";
import * as restPause from "./extension/rest-pause.ts";
import type { Bursts } from "./extension-base.ts";
import type { Target } from "./target.ts";

/** The kinds of extensions; the only list of them. */
export const EXTENSIONS = {
  drop,
  restPause,
  cluster,
  partials,
  forced,
  positionChange,
  endHold,
  breather,
} as const;

/** What happens at the end of a set, in order. The extensions after a drop use the load that it left. */
export type Extension = FamilyOf<typeof EXTENSIONS>;
export type ExtensionKind = Extension["kind"];
export const EXTENSION_KINDS = kindsOf(EXTENSIONS);
export const extensionField = unionOf(EXTENSIONS);

/** Something behind a set, as coaches usually begin with it: a drop to 80 %, two pauses of 15 s. */
export function newExtension(
  kind: ExtensionKind,
  set: { readonly target: Target },
  newId: NewId,
): Extension {
  return EXTENSIONS[kind].begin({ id: newId(), lineageId: newId() }, set.target);
}

/** How often an extension is done, the wait before each, and what each asks for. */
export function burstsOf(extension: Extension): Bursts {
  return applied(EXTENSIONS, "bursts", extension);
}
