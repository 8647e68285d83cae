/** The classes of this sheet; `styles.test.ts` holds them to it. */
declare const styles: {
  readonly asked: string;
  readonly day: string;
  readonly missed: string;
  readonly order: string;
  readonly pages: string;
  readonly shows: string;
  readonly soft: string;
};
export default styles;
