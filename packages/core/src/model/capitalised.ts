/** A word or a sentence with a capital letter at its beginning. */
export const capitalised = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
