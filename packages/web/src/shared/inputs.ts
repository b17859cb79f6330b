/** What stands in the field an event is of. */
export const valueOf = ({ target }: Event): string =>
  target instanceof HTMLInputElement ? target.value : '';

/** The file chosen in the field an event is of, which is then empty again, so that the same file can be chosen twice. */
export function fileOf({ target }: Event): File | undefined {
  if (!(target instanceof HTMLInputElement)) return undefined;
  const file = target.files?.[0];
  target.value = '';
  return file;
}
