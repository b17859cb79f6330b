/** A name as it stands within a sentence: a small letter first, but for what is written in capitals, such as `PVC pipe`. */
export const inText = (name: string): string =>
  /^\p{Lu}\p{Lu}/u.test(name) ? name : name.charAt(0).toLowerCase() + name.slice(1);
