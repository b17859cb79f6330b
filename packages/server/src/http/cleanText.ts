// What no text of anybody's holds: control characters but for the tab and the ends of lines, and half of a pair that is no character.
// eslint-disable-next-line no-control-regex -- these are what is looked for
const CONTROLS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/g;
const HALVES = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;
const UNREADABLE = '\ufffd';

/** Text without control characters; what is no character becomes the sign for that. */
export const cleanText = (text: string): string => text.replace(CONTROLS, '').replace(HALVES, UNREADABLE);

/** Whether text holds what no text of anybody's does. */
export const isOddText = (text: string): boolean => cleanText(text) !== text;

/** One escape of a JSON text: a pair that makes one character, any other by its number, or a letter. */
const ESCAPES = /\\u(d[89ab][\da-f]{2})\\u(d[c-f][\da-f]{2})|\\u([\da-f]{4})|\\[^u]/gi;

/**
 * JSON text whose strings hold no control characters, however they are written in it.
 * @example cleanJsonText('{"name": "Hel\\u0000m"}') // '{"name": "Helm"}'
 */
export const cleanJsonText = (text: string): string =>
  cleanText(text).replace(ESCAPES, (escape, _high, _low, single: string | undefined) => {
    if (single === undefined) return escape;
    const sign = String.fromCharCode(parseInt(single, 16));
    // A quote or a slash that is written by its number stays so, or the text would mean something else.
    return isOddText(sign) ? cleanText(sign) : escape;
  });
