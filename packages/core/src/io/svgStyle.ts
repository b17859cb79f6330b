/** What of a stylesheet is kept: declarations by selectors of one element, the weaker ones first. */
export interface StyleRule {
  tag: string | undefined;
  id: string | undefined;
  classes: readonly string[];
  declarations: Readonly<Record<string, string>>;
}

/** Longer stylesheets are not read to their end. */
const MOST_CHARACTERS = 200_000;
const MOST_RULES = 5_000;

/** `key: value` pairs of a style. */
export const declarationsOf = (text: string): Record<string, string> =>
  Object.fromEntries(
    text.split(';').flatMap((pair) => {
      const at = pair.indexOf(':');
      const key = at < 0 ? '' : pair.slice(0, at).trim().toLowerCase();
      return key === ''
        ? []
        : [
            [
              key,
              pair
                .slice(at + 1)
                .replace(/!\s*important/i, '')
                .trim(),
            ],
          ];
    }),
  );

/**
 * The rules of a stylesheet whose selectors are about one element alone: a kind, an id, classes, or several of them. Others, such as
 * children of something or what is pointed at, do not occur in drawings.
 */
export function rulesOf(text: string): StyleRule[] {
  const rules: StyleRule[] = [];
  const bare = text
    .slice(0, MOST_CHARACTERS)
    .replace(/\/\*[^]*?\*\//g, '')
    .replace(/<!\[CDATA\[|\]\]>/g, '');
  for (const [, selectors = '', body = ''] of bare.matchAll(/([^{}]+)\{([^{}]*)\}/g))
    for (const selector of selectors.split(',')) {
      const found = /^\s*(\*|[a-z][\w-]*)?((?:[.#][\w-]+)*)\s*$/i.exec(selector);
      if (!found || selector.trim() === '' || rules.length >= MOST_RULES) continue;
      const parts = found[2]!.match(/[.#][\w-]+/g) ?? [];
      rules.push({
        tag: found[1] === undefined || found[1] === '*' ? undefined : found[1].toLowerCase(),
        id: parts.find((part) => part.startsWith('#'))?.slice(1),
        classes: parts.flatMap((part) => (part.startsWith('.') ? [part.slice(1)] : [])),
        declarations: declarationsOf(body),
      });
    }
  const weight = ({ id, classes, tag }: StyleRule) => (id ? 1000 : 0) + classes.length * 10 + (tag ? 1 : 0);
  return rules.sort((a, b) => weight(a) - weight(b));
}

/** What a stylesheet and its own style say of an element; what it says itself goes last, and so first. */
export function styleOf(
  rules: readonly StyleRule[],
  tag: string,
  attribs: Readonly<Record<string, string>>,
): Record<string, string> {
  const style: Record<string, string> = {};
  const own = rules.length > 0 ? (attribs.class ?? '').split(/\s+/) : [];
  for (const rule of rules)
    if (
      (rule.tag === undefined || rule.tag === tag) &&
      (rule.id === undefined || rule.id === attribs.id) &&
      rule.classes.every((name) => own.includes(name))
    )
      Object.assign(style, rule.declarations);
  return Object.assign(style, declarationsOf(attribs.style ?? ''));
}

/** The path data in a `d` of a stylesheet: `path("M0 0…")`. */
export const pathInStyle = (said: string | undefined): string | undefined =>
  /^path\(\s*(?:(?:evenodd|nonzero)\s*,\s*)?["'](.*)["']\s*\)$/is.exec(said?.trim() ?? '')?.[1];
