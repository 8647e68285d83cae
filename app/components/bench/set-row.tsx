import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import {
  typedDropShare,
  typedLoad,
  typedReps,
  typedRest,
  typedSeconds,
} from "~/codec/typed-cells.ts";
import type { MintId } from "~/core/identity/index.ts";
import {
  isRir,
  newDrop,
  RIR_VALUES,
  SET_ROLES,
  type DropLoad,
  type Extension,
  type LoadRule,
  type PlannedSet,
  type SetStep,
} from "~/core/prescription/index.ts";
import type { MassUnit } from "~/core/quantity/index.ts";
import { formatAmount, formatMass, formatShare } from "~/format/numbers.ts";
import {
  EXTENSION_NAMES,
  formatExtension,
  formatLoadRule,
  formatRest,
  formatTargetShort,
} from "~/format/prescription.ts";
import { formatRecipe, formatRir, ROLE_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { Select } from "../field.tsx";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";

const showLoad = (load: LoadRule) => (load.kind === "absolute" ? formatAmount(load.reading) : "");

/** A set as a row, its drops as rows below it. */
export function SetRow({
  set,
  number,
  unit,
  steps,
  numberOf,
  mint,
  onChange,
  onDuplicate,
  onRemove,
  onInvalid,
}: {
  readonly set: PlannedSet;
  readonly number: number;
  readonly unit: MassUnit;
  /** The steps of this set, in order. */
  readonly steps: readonly SetStep[];
  /** The number of a set of this slot by its id. */
  readonly numberOf: (id: string) => number | null;
  readonly mint: MintId;
  readonly onChange: (set: PlannedSet) => void;
  readonly onDuplicate: () => void;
  readonly onRemove: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  const { find } = useCatalogue();
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
          <Box sx={{ width: 108 }}>
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
            show={formatTargetShort}
            read={typedReps}
            onValue={(target) => onChange({ ...set, target })}
            onInvalid={onInvalid}
            width={74}
          />
        </td>
        <td data-label="Load">
          {set.load.kind === "absolute" || set.load.kind === "open" ? null : (
            <Typography variant="body2">{formatLoadRule(set.load, numberOf, find)}</Typography>
          )}
          <TypedCell
            label={`Load of set ${number}, ${unit}`}
            value={set.load}
            show={showLoad}
            read={(text) => typedLoad(text, unit)}
            onValue={(load) => onChange({ ...set, load })}
            onInvalid={onInvalid}
            width={84}
            placeholder={main?.load.kind === "made" ? formatAmount(main.load.reading) : "find"}
            invalid={main?.load.kind === "impossible"}
          />
        </td>
        <td data-label="Reserve">
          <Box sx={{ width: { xs: 108, md: 122 } }}>
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
            show={formatRest}
            read={typedRest}
            onValue={(restAfter) => onChange({ ...set, restAfter })}
            onInvalid={onInvalid}
            width={66}
          />
        </td>
        <td data-label="Hang">{main === undefined ? null : <StepLoadText step={main} />}</td>
        <td>
          <Box sx={{ display: "flex", whiteSpace: "nowrap" }}>
            <Button
              size="small"
              onClick={() =>
                onChange({ ...set, extensions: [...set.extensions, newDrop(set, mint)] })
              }
              aria-label={`Add a drop to set ${number}`}
            >
              + drop
            </Button>
            <Button size="small" onClick={onDuplicate} aria-label={`Duplicate set ${number}`}>
              + set
            </Button>
            <Button size="small" onClick={onRemove} aria-label={`Remove set ${number}`}>
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
            onChange={change}
            onRemove={() => remove(extension)}
            onInvalid={onInvalid}
          />
        ) : (
          <tr key={extension.id}>
            <th scope="row" aria-label={`Extension ${i + 1} of set ${number}`} />
            <Box component="td" colSpan={6} sx={{ gridColumn: "2 / -1" }}>
              <Typography variant="body2" sx={EXTENSION}>
                {formatExtension(extension)}
              </Typography>
            </Box>
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

const EXTENSION = { pt: 0.75, pl: 1, borderLeft: 3, borderColor: "kravo.ironLight" } as const;

type Drop = Extract<Extension, { kind: "drop" }>;

/** A drop to a share: its rest, reps and share as cells, and what it comes to at the station. */
function DropRow({
  drop,
  to,
  name,
  number,
  step,
  onChange,
  onRemove,
  onInvalid,
}: {
  readonly drop: Drop;
  readonly to: Extract<DropLoad, { kind: "share" }>;
  readonly name: string;
  readonly number: number;
  readonly step: SetStep | undefined;
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
          show={formatTargetShort}
          read={typedReps}
          onValue={(target) => onChange({ ...drop, target })}
          onInvalid={onInvalid}
          width={74}
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
        minWidth: { xs: 120, md: 116 },
        maxWidth: 200,
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
        minWidth: { xs: 120, md: 116 },
        maxWidth: 200,
        textWrap: "pretty",
      }}
    >
      <strong>{formatMass(reading)}</strong>, {formatRecipe(recipe)}
      {share === null
        ? ""
        : ` · comes to ${formatShare(share.made)} of the ${share.basis === "totalMoved" ? "total moved" : "hung plates"}`}
    </Typography>
  );
}
