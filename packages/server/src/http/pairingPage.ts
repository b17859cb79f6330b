const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * The one page that a device sees before it is paired. It stands alone: no script, no other file.
 * @param code filled in already, where the address brought it along
 * @param trouble why the last try did not work
 */
export const pairingPage = ({
  code = '',
  name = '',
  trouble,
}: {
  code?: string;
  name?: string;
  trouble?: string | undefined;
}): string => `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>Pair this device · Fixatum</title>
    <style>
      :root { color-scheme: light dark; font-family: system-ui, sans-serif; }
      body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: #f4efe6; color: #25221d; }
      main { width: min(22rem, calc(100vw - 3rem)); }
      h1 { font-size: 1.4rem; margin: 1rem 0 0.5rem; }
      svg { color: #2f5d57; }
      label { display: block; margin: 1.25rem 0 0.35rem; font-weight: 600; }
      input { width: 100%; box-sizing: border-box; font: inherit; padding: 0.7rem; border: 1px solid #8a8274; border-radius: 6px; background: #fff; color: #25221d; }
      input[name='code'] { font-size: 1.6rem; letter-spacing: 0.3em; font-variant-numeric: tabular-nums; }
      button { width: 100%; margin-top: 1.5rem; padding: 0.85rem; font: inherit; font-weight: 600; border: 0; border-radius: 6px; background: #2f5d57; color: #fff; }
      p { line-height: 1.45; }
      .trouble { border-left: 4px solid #a33a1f; padding-left: 0.75rem; }
      small { color: #5d574c; }
      @media (prefers-color-scheme: dark) {
        body { background: #1d1b18; color: #ece6da; }
        svg { color: #8fc7bd; }
        input { background: #2a2723; color: #ece6da; }
        small { color: #b8b0a2; }
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
      <h1>Pair this device</h1>
      <p>On the computer open Workshop, “Phones and helpers”, and press “Pair a device”. It shows six figures.</p>
      ${trouble === undefined ? '' : `<p class="trouble" role="alert">${escaped(trouble)}</p>`}
      <form method="post" action="/pair">
        <label for="code">Six figures</label>
        <input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" pattern="[0-9]{6}" maxlength="6" required value="${escaped(code)}" />
        <label for="name">What this device is called</label>
        <input id="name" name="name" maxlength="40" required placeholder="Phone at the spray booth" value="${escaped(name)}" />
        <button type="submit">Pair</button>
      </form>
      <p><small>The journal says which device logged what. It can be taken back on the computer at any time.</small></p>
    </main>
  </body>
</html>
`;
