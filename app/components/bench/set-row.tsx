import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { typedDropShare, typedSeconds } from "~/codec/typed-cells.ts";
import type { MintId } from "~/core/identity/index.ts";
import {
  parseLoad,
  parsePart,
  parseRest,
  parseTarget,
  writeLoad,
  writePart,
  writeRest,
  writeTarget,
  type NotationContext,
} from "~/core/notation/index.ts";
import {
  EXTENSION_KINDS,
  isRir,
  newExtension,
  RIR_VALUES,
  SET_ROLES,
  type DropLoad,
  type Extension,
  type PlannedSet,
  type SetStep,
} from "~/core/prescription/index.ts";
import type { Result } from "~/core/result/index.ts";
import { formatAmount, formatMass, formatShare } from "~/format/numbers.ts";
import { EXTENSION_NAMES } from "~/format/prescription.ts";
import { formatRecipe, formatRir, ROLE_NAMES } from "~/format/training.ts";
import { Select } from "../field.tsx";
import { readTyped } from "./read-typed.ts";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";

/** A set as a row, what follows it as rows below. Cells read and write the notation of the written line. */
export function SetRow({
  set,
  number,
  sets,
  notation,
  steps,
  mint,
  onChange,
  onDuplicate,
  onRemove,
  onInvalid,
}: {
  readonly set: PlannedSet;
  readonly number: number;
  /** All sets of the slot, for what a load refers to. */
  readonly sets: readonly PlannedSet[];
  readonly notation: NotationContext;
  /** The steps of this set, in order. */
  readonly steps: readonly SetStep[];
  readonly mint: MintId;
  readonly onChange: (set: PlannedSet) => void;
  readonly onDuplicate: () => void;
  readonly onRemove: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  const { unit } = notation;
  const before = sets.slice(0, number - 1);
  const readTarget = (text: string) => readTyped(parseTarget(text, notation));
  const add = (kind: Extension["kind"]) =>
    onChange({ ...set, extensions: [...set.extensions, newExtension(kind, set, mint)] });
  const main = steps.find((step) => step.kind === "set");
  const change = (to: Extension) =>
    onChange({ ...set, extensions: set.extensions.map((e) => (e.id === to.id ? to : e)) });
  const remove = (gone: Extension) =>
    onChange({ ...set, extensions: set.extensions.filter((e) => e.id !== gone.id) });
  return (
    <>
      <tr>
        <Box
          component="th"
          scope="row"
          sx={{
            fontFamily: (t) => t.typography.figure.fontFamily,
            fontSize: "1.3rem",
            minWidth: 28,
          }}
        >
          {number}
        </Box>
        <td data-label="Role">
          <Box sx={{ width: { xs: 108, md: 102 } }}>
            <Select
              aria-label={`Role of set ${number}`}
              value={set.role}
              onChange={(event) =>
                onChange({
                  ...set,
                  role: SET_ROLES.find((r) => r === event.target.value) ?? set.role,
                })
              }
            >
              {SET_ROLES.map((role) => (
                <option key={role} value={role}>
                  {ROLE_NAMES[role]}
                </option>
              ))}
            </Select>
          </Box>
        </td>
        <td data-label="Reps">
          <TypedCell
            label={`Reps of set ${number}`}
            value={set.target}
            show={writeTarget}
            read={readTarget}
            onValue={(target) => onChange({ ...set, target })}
            onInvalid={onInvalid}
            width={82}
          />
        </td>
        <td data-label="Load">
          <TypedCell
            label={`Load of set ${number}, ${unit}`}
            value={set.load}
            show={(load) =>
              load.kind === "absolute" && load.reading.unit === unit
                ? formatAmount(load.reading)
                : writeLoad(load, number - 1, sets, notation)
            }
            read={(text) => readTyped(parseLoad(text, before, notation))}
            onValue={(load) => onChange({ ...set, load })}
            onInvalid={onInvalid}
            width={86}
            placeholder={main?.load.kind === "made" ? formatAmount(main.load.reading) : "find"}
            invalid={main?.load.kind === "impossible"}
          />
        </td>
        <td data-label="Reserve">
          <Box sx={{ width: { xs: 108, md: 126 } }}>
            <Select
              aria-label={`Reps in reserve of set ${number}`}
              value={String(set.effort)}
              onChange={(event) => {
                const effort: unknown = RIR_VALUES.find(
                  (value) => String(value) === event.target.value,
                );
                if (isRir(effort)) onChange({ ...set, effort });
              }}
            >
              {RIR_VALUES.map((value) => (
                <option key={value} value={String(value)}>
                  {formatRir(value)}
                </option>
              ))}
            </Select>
          </Box>
        </td>
        <td data-label="Rest after">
          <TypedCell
            label={`Rest after set ${number}`}
            value={set.restAfter}
            show={writeRest}
            read={(text) => readTyped(parseRest(text, notation))}
            onValue={(restAfter) => onChange({ ...set, restAfter })}
            onInvalid={onInvalid}
            width={88}
          />
        </td>
        <td data-label="Hang">{main === undefined ? null : <StepLoadText step={main} />}</td>
        <td>
          <Box sx={{ display: "flex", whiteSpace: "nowrap" }}>
            <Box
              component="select"
              aria-label={`What follows set ${number}`}
              value=""
              onChange={(event: React.ChangeEvent<HTMLSelectElement>) => {
                const kind = EXTENSION_KINDS.find((k) => k === event.target.value);
                if (kind !== undefined) add(kind);
              }}
              sx={THEN}
            >
              <option value="">+ then</option>
              {EXTENSION_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {EXTENSION_NAMES[kind]}
                </option>
              ))}
            </Box>
            <Button
              size="small"
              sx={{ minWidth: 40, px: 0.5 }}
              onClick={onDuplicate}
              aria-label={`Duplicate set ${number}`}
            >
              + set
            </Button>
            <Button
              size="small"
              sx={{ minWidth: 32, px: 0.5 }}
              onClick={onRemove}
              aria-label={`Remove set ${number}`}
            >
              ✕
            </Button>
          </Box>
        </td>
      </tr>
      {set.extensions.map((extension, i) =>
        extension.kind === "drop" && extension.to.kind === "share" ? (
          <DropRow
            key={extension.id}
            drop={extension}
            to={extension.to}
            name={`drop ${i + 1} of set ${number}`}
            number={i + 1}
            step={steps.find((step) => step.key.extensionId === extension.id)}
            readTarget={readTarget}
            onChange={change}
            onRemove={() => remove(extension)}
            onInvalid={onInvalid}
          />
        ) : (
          <tr key={extension.id}>
            <th scope="row" aria-label={`Behind set ${number}, ${i + 1}`} />
            <Box component="td" colSpan={5} sx={{ gridColumn: "2 / -1" }}>
              <Box sx={{ ...EXTENSION, pt: 0 }}>
                <TypedCell
                  label={`Part ${i + 1} of set ${number}`}
                  value={extension}
                  show={(part) => writePart(part, set.target)}
                  read={(text) => readTyped(parsePart(text, extension, set.target, notation))}
                  onValue={change}
                  onInvalid={onInvalid}
                  width="100%"
                />
              </Box>
            </Box>
            <td>
              <DropLoadText step={steps.find((step) => step.key.extensionId === extension.id)} />
            </td>
            <td>
              <Button
                size="small"
                onClick={() => remove(extension)}
                aria-label={`Remove ${EXTENSION_NAMES[extension.kind]} of set ${number}`}
              >
                ✕
              </Button>
            </td>
          </tr>
        ),
      )}
    </>
  );
}

const THEN = {
  border: 0,
  background: "none",
  font: "inherit",
  fontSize: "0.85rem",
  fontWeight: 700,
  color: "inherit",
  width: 66,
  minHeight: 36,
  cursor: "pointer",
  "& option": { color: "text.primary", backgroundColor: "kravo.sheet" },
} as const;

const EXTENSION = { pt: 0.75, pl: 1, borderLeft: 3, borderColor: "kravo.ironLight" } as const;

type Drop = Extract<Extension, { kind: "drop" }>;

/** A drop to a share: its rest, reps and share as cells, and what it comes to at the station. */
function DropRow({
  drop,
  to,
  name,
  number,
  step,
  readTarget,
  onChange,
  onRemove,
  onInvalid,
}: {
  readonly drop: Drop;
  readonly to: Extract<DropLoad, { kind: "share" }>;
  readonly name: string;
  readonly number: number;
  readonly step: SetStep | undefined;
  readonly readTarget: (text: string) => Result<Drop["target"], string>;
  readonly onChange: (drop: Drop) => void;
  readonly onRemove: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  return (
    <tr>
      <th scope="row" aria-label={sentence(name)} />
      <td>
        <Typography variant="body2" component="div" sx={EXTENSION}>
          drop {number}, rest
          <br />
          <TypedCell
            label={`Rest before ${name}, seconds`}
            value={drop.restBefore}
            show={(s) => String(s)}
            read={typedSeconds}
            onValue={(restBefore) => onChange({ ...drop, restBefore })}
            onInvalid={onInvalid}
            width={54}
          />{" "}
          s
        </Typography>
      </td>
      <td>
        <TypedCell
          label={`Reps of ${name}`}
          value={drop.target}
          show={writeTarget}
          read={readTarget}
          onValue={(target) => onChange({ ...drop, target })}
          onInvalid={onInvalid}
          width={82}
        />
      </td>
      <td>
        <TypedCell
          label={`Share of ${name}, per cent`}
          value={to.share}
          show={(s) => formatShare(s)}
          read={typedDropShare}
          onValue={(share) => onChange({ ...drop, to: { ...to, share } })}
          onInvalid={onInvalid}
          width={84}
        />
      </td>
      <td>
        <Box sx={{ width: { xs: 108, md: 122 } }}>
          <Select
            aria-label={`${sentence(name)} is a share of`}
            value={to.of}
            onChange={(event) =>
              onChange({
                ...drop,
                to: { ...to, of: event.target.value === "first" ? "first" : "current" },
              })
            }
          >
            <option value="current">of the load before</option>
            <option value="first">of the first load</option>
          </Select>
        </Box>
      </td>
      <td />
      <td>
        <DropLoadText step={step} />
      </td>
      <td>
        <Button size="small" onClick={onRemove} aria-label={`Remove ${name}`}>
          ✕
        </Button>
      </td>
    </tr>
  );
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function StepLoadText({ step }: { readonly step: SetStep }) {
  if (step.load.kind !== "made")
    return (
      <Typography variant="body2" sx={{ pt: 1 }}>
        –
      </Typography>
    );
  const { reading, recipe, total } = step.load;
  const differs = total !== null && total.thousandths !== reading.thousandths;
  return (
    <Typography
      variant="body2"
      sx={{
        pt: 1,
        color: "text.secondary",
        minWidth: { xs: 120, md: 92 },
        maxWidth: 180,
        textWrap: "pretty",
      }}
    >
      {formatRecipe(recipe)}
      {differs ? ` · ${formatMass(total)} moved` : ""}
    </Typography>
  );
}

function DropLoadText({ step }: { readonly step: SetStep | undefined }) {
  if (step?.load.kind !== "made") return null;
  const { reading, recipe, share } = step.load;
  return (
    <Typography
      variant="body2"
      sx={{
        pt: 1,
        color: "text.secondary",
        minWidth: { xs: 120, md: 92 },
        maxWidth: 180,
        textWrap: "pretty",
      }}
    >
      <strong>{formatMass(reading)}</strong>, {formatRecipe(recipe)}
      {share === null || Math.abs(share.made - share.asked) < 0.005
        ? ""
        : ` · comes to ${formatShare(share.made)} of the ${share.basis === "totalMoved" ? "total moved" : "hung plates"}`}
    </Typography>
  );
}
