/** Wide encodings have a nought in every other byte of what is plain letters; so many of the first bytes tell. */
const LOOKED_AT = 200;

/**
 * The text of a file, by its byte-order mark, by its noughts where it has none, by what an XML file says of itself, and otherwise as UTF-8, or what is
 * no UTF-8 as Western European: drawings are still written in all of these.
 */
export function textOfFile(bytes: Uint8Array): string {
  return new TextDecoder(encodingOf(bytes)).decode(bytes);
}

function encodingOf(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  if (first === 0xfe && second === 0xff) return 'utf-16be';
  const head = bytes.subarray(0, LOOKED_AT);
  let [even, odd] = [0, 0];
  head.forEach((byte, at) => {
    if (byte !== 0) return;
    if (at % 2 === 0) even += 1;
    else odd += 1;
  });
  if (odd > head.length / 4 && even === 0) return 'utf-16le';
  if (even > head.length / 4 && odd === 0) return 'utf-16be';
  const said = /^[^>]*encoding\s*=\s*["']([\w.-]+)["']/.exec(String.fromCharCode(...head))?.[1];
  // What says it is wide and is not, as one byte a letter shows, is not believed.
  if (said !== undefined && !/^utf-?16/i.test(said) && isKnown(said)) return said;
  return isUtf8(bytes) ? 'utf-8' : 'windows-1252';
}

function isKnown(encoding: string): boolean {
  try {
    return new TextDecoder(encoding).encoding !== '';
  } catch {
    return false;
  }
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}
