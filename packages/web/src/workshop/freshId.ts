import { idFromName } from '@fixatum/core';

/** An id for something new in a list, unlike those it has. */
export const freshId = (stem: string, list: readonly { id: string }[]): string =>
  idFromName(
    stem,
    list.map((one) => one.id),
  );
