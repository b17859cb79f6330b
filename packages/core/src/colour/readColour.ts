import { formatHex, parse } from 'culori';

/**
 * A colour as people write it, as `#rrggbb`: by its English name ("olive", "dark red"), with or without the #, three digits or six. What is
 * no colour comes back as it was written, to be told as it stands.
 */
export function readColour(text: string): string {
  const written = text.trim();
  const bare = /^(?:[0-9a-f]{3}|[0-9a-f]{6})$/i.test(written) ? `#${written}` : written;
  const parsed = parse(bare) ?? parse(written.toLowerCase().replace(/[\s-]+/g, ''));
  return parsed ? formatHex(parsed) : written;
}
