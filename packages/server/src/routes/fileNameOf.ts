/** What a file about a build is called, without its ending. */
export const fileNameOf = (name: string): string =>
  name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() || 'build';
