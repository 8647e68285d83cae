/** A place in the written text: where it begins, and how long it is. */
export interface Span {
  readonly at: number;
  readonly length: number;
}
