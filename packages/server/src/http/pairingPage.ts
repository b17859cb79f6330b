import { escaped, standalonePage } from './standalonePage';

/**
 * The one page that a device sees before it is paired.
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
}): string =>
  standalonePage({
    title: 'Pair this device',
    body: [
      `<p>On the computer open Workshop, “Phones and helpers”, and press “Pair a device”. It shows six figures.</p>
      ${trouble === undefined ? '' : `<p class="trouble" role="alert">${escaped(trouble)}</p>`}
      <form method="post" action="/pair">
        <label for="code">Six figures</label>
        <input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" pattern="[0-9]{6}" maxlength="6" required value="${escaped(code)}" />
        <label for="name">What this device is called</label>
        <input id="name" name="name" maxlength="40" required placeholder="Phone at the spray booth" value="${escaped(name)}" />
        <button type="submit">Pair</button>
      </form>
      <p><small>The journal says which device logged what. It can be taken back on the computer at any time.</small></p>`,
    ],
  });

/** What a device sees that has said the code, until somebody at the computer lets it in. It is asked for again by itself. */
export const waitingPage = (): string =>
  standalonePage({
    title: 'Almost in',
    body: [
      '<p role="status">The figures are right. Now press “Let it in” on the computer, in Workshop, “Phones and helpers”. This page goes on by itself.</p>',
    ],
  });
