/** The classes of this sheet; `styles.test.ts` holds them to it. */
declare const styles: {
  readonly number: string;
  readonly step: string;
  readonly steps: string;
};
export default styles;
