/** The classes of this sheet; `styles.test.ts` holds them to it. */
declare const styles: {
  readonly bar: string;
  readonly board: string;
  readonly buttons: string;
  readonly change: string;
  readonly clash: string;
  readonly figures: string;
  readonly head: string;
  readonly hour: string;
  readonly item: string;
  readonly key: string;
  readonly keys: string;
  readonly list: string;
  readonly next: string;
  readonly number: string;
  readonly preview: string;
  readonly problem: string;
  readonly rest: string;
  readonly restLine: string;
  readonly running: string;
  readonly small: string;
  readonly soon: string;
  readonly urgent: string;
  readonly ways: string;
  readonly who: string;
  readonly why: string;
};
export default styles;
