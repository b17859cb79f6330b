/** Text as it may stand in a page. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * A page that stands alone: no script, no other file, in light and dark.
 * @param body markup, and lists of plain text between it
 */
export const standalonePage = ({
  title,
  body,
}: {
  title: string;
  body: readonly (string | { list: readonly string[] })[];
}): string => `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>${escaped(title)} · Fixatum</title>
    <style>
      :root { color-scheme: light dark; font-family: system-ui, sans-serif; }
      body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: #f2f2f0; color: #212225; }
      main { width: min(22rem, calc(100vw - 3rem)); }
      h1 { font-size: 1.4rem; margin: 1rem 0 0.5rem; }
      svg { color: #212225; }
      label { display: block; margin: 1.25rem 0 0.35rem; font-weight: 600; }
      input { width: 100%; box-sizing: border-box; font: inherit; padding: 0.7rem; border: 1px solid #77787c; border-radius: 6px; background: #fff; color: #212225; }
      input[name='code'] { font-size: 1.6rem; letter-spacing: 0.3em; font-variant-numeric: tabular-nums; }
      button { width: 100%; margin-top: 1.5rem; padding: 0.85rem; font: inherit; font-weight: 600; border: 0; border-radius: 6px; background: #212225; color: #fff; }
      p { line-height: 1.45; }
      .trouble { border-left: 4px solid #97291c; padding-left: 0.75rem; }
      small { color: #55565a; }
      @media (prefers-color-scheme: dark) {
        body { background: #17181a; color: #ececea; }
        svg { color: #ececea; }
        input { background: #242529; color: #ececea; }
        small { color: #b4b5b9; }
        button { background: #ececea; color: #17181a; }
      }
    </style>
  </head>
  <body>
    <main>
      <svg viewBox="0 0 24 24" width="40" height="40" aria-hidden="true">
        <rect x="2" y="14" width="20" height="8" fill="currentColor" opacity=".45" />
        <rect x="2" y="9" width="20" height="4" fill="currentColor" opacity=".75" />
        <rect x="2" y="5" width="20" height="3" fill="currentColor" />
      </svg>
      <h1>${escaped(title)}</h1>
      ${body.map((part) => (typeof part === 'string' ? part : part.list.map((line) => `<li>${escaped(line)}</li>`).join(''))).join('\n      ')}
    </main>
  </body>
</html>
`;
