import { textOfFile } from './fileText';

const text = '<svg width="10mm">Brust–Öse</svg>';
/** As two bytes a letter, the low one first or last. */
const wide = (low: boolean, mark: boolean): Uint8Array =>
  Uint8Array.from(
    [...(mark ? '\ufeff' : ''), ...text].flatMap((letter) => {
      const code = letter.charCodeAt(0);
      return low ? [code & 255, code >> 8] : [code >> 8, code & 255];
    }),
  );

describe('the text of a file', () => {
  it.each([
    ['UTF-8', new TextEncoder().encode(text)],
    ['UTF-8 with a mark', new TextEncoder().encode(`\ufeff${text}`)],
    ['UTF-16, low first', wide(true, true)],
    ['UTF-16, high first', wide(false, true)],
    ['UTF-16 without a mark', wide(true, false)],
    ['UTF-16 without a mark, high first', wide(false, false)],
  ])('in %s', (_, bytes) => expect(textOfFile(bytes)).toBe(text));
  it('in what an XML file says, and in Western European where it is no UTF-8', () => {
    const said = '<?xml version="1.0" encoding="ISO-8859-2"?><a>';
    const bytes = Uint8Array.from([...new TextEncoder().encode(said), 0xb3]);
    expect(textOfFile(bytes)).toBe(`${said}ł`);
    expect(textOfFile(Uint8Array.from([0x41, 0xd6, 0x42]))).toBe('AÖB');
  });
  it('believes no file of one byte a letter that says it has two', () => {
    const said = '<?xml version="1.0" encoding="utf-16"?><svg/>';
    expect(textOfFile(new TextEncoder().encode(said))).toBe(said);
  });
});
