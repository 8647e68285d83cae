/** The text with a capital letter in front, as a sentence or a heading begins. */
export function sentence(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
