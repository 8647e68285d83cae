/** The classes of this sheet; `styles.test.ts` holds them to it. */
declare const styles: {
  readonly bar: string;
  readonly begun: string;
  readonly calendar: string;
  readonly easy: string;
  readonly event: string;
  readonly head: string;
  readonly lane: string;
  readonly month: string;
  readonly months: string;
  readonly moving: string;
  readonly phase: string;
  readonly problem: string;
  readonly row: string;
  readonly scroll: string;
  readonly small: string;
  readonly span: string;
  readonly tall: string;
  readonly today: string;
  readonly told: string;
  readonly who: string;
};
export default styles;
