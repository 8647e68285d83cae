import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useState } from "react";

/** A client as a choice names them. */
export interface NamedClient {
  readonly id: string;
  readonly name: string;
}

interface Common {
  readonly id: string;
  /** Read aloud where no label stands above. */
  readonly label?: string;
  /** Under this the form sends the id. */
  readonly name?: string;
  readonly people: readonly NamedClient[];
}

/** What stands there where nobody is chosen is read, not guessed. */
const PLACEHOLDER = { "& input::placeholder": { color: "text.secondary", opacity: 1 } } as const;

/** One client, found by typing some letters of the name. */
export function ClientChoice({
  id,
  label,
  name,
  people,
  chosen,
  none = null,
  onChoose,
}: Common & {
  readonly chosen: string | null;
  /** What stands there where nobody is chosen, and that this is a choice; null where somebody has to be. */
  readonly none?: string | null;
  readonly onChoose?: (id: string | null) => void;
}) {
  const [value, setValue] = useState(() => people.find((own) => own.id === chosen) ?? null);
  return (
    <>
      {name === undefined ? null : <input type="hidden" name={name} value={value?.id ?? ""} />}
      <Autocomplete<NamedClient, false, boolean>
        id={id}
        size="small"
        options={people}
        getOptionLabel={(own) => own.name}
        getOptionKey={(own) => own.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        value={value}
        disableClearable={none === null}
        autoHighlight
        handleHomeEndKeys
        noOptionsText="No client of that name"
        onChange={(_, next) => {
          setValue(next);
          onChoose?.(next?.id ?? null);
        }}
        sx={PLACEHOLDER}
        renderInput={(params) => (
          <TextField
            {...params}
            placeholder={none ?? "Type a name"}
            slotProps={{
              ...params.slotProps,
              htmlInput: { ...params.slotProps.htmlInput, "aria-label": label },
            }}
          />
        )}
      />
    </>
  );
}

/** Several clients, each found by typing some letters of the name. */
export function ClientsChoice({
  id,
  label,
  name,
  people,
  chosen,
}: Common & { readonly chosen: readonly string[] }) {
  const [value, setValue] = useState(() => people.filter((own) => chosen.includes(own.id)));
  return (
    <>
      {value.map((own) => (
        <input key={own.id} type="hidden" name={name} value={own.id} />
      ))}
      <Autocomplete
        multiple
        id={id}
        size="small"
        options={people}
        getOptionLabel={(own) => own.name}
        getOptionKey={(own) => own.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        value={value}
        autoHighlight
        disableCloseOnSelect
        filterSelectedOptions
        noOptionsText={value.length === people.length ? "All are chosen" : "No client of that name"}
        onChange={(_, next) => setValue(next)}
        sx={PLACEHOLDER}
        renderInput={(params) => (
          <TextField
            {...params}
            placeholder={value.length === 0 ? "Type a name" : ""}
            slotProps={{
              ...params.slotProps,
              htmlInput: { ...params.slotProps.htmlInput, "aria-label": label },
            }}
          />
        )}
      />
    </>
  );
}
