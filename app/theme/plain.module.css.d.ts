/** The classes of the sheet; `styles.test.ts` holds them to it. */
declare const styles: {
  readonly above: string;
  readonly cell: string;
  readonly cellError: string;
  readonly cellSelect: string;
  readonly dense: string;
  readonly frame: string;
  readonly grow: string;
  readonly hatch: string;
  readonly legMap: string;
  readonly none: string;
  readonly opened: string;
  readonly outline: string;
  readonly page: string;
  readonly pageHead: string;
  readonly pageLead: string;
  readonly pageTitle: string;
  readonly row: string;
  readonly smallButton: string;
  readonly smallHeading: string;
  readonly soft: string;
  readonly text: string;
  readonly tight: string;
  readonly wide: string;
  readonly within: string;
};
export default styles;
