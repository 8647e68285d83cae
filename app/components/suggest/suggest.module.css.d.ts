declare const styles: {
  readonly day: string;
  readonly dayHead: string;
  readonly exchange: string;
  readonly found: string;
  readonly head: string;
  readonly list: string;
  readonly minutes: string;
  readonly note: string;
  readonly picked: string;
  readonly quality: string;
  readonly sets: string;
  readonly what: string;
  readonly why: string;
};
export default styles;
