/** The classes of this sheet; `styles.test.ts` holds them to it. */
declare const styles: {
  readonly at: string;
  readonly done: string;
  readonly exercise: string;
  readonly lines: string;
  readonly log: string;
  readonly next: string;
  readonly opened: string;
  readonly pages: string;
  readonly pain: string;
  readonly scroll: string;
  readonly soft: string;
};
export default styles;
