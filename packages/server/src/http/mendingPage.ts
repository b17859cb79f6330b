import { DateTime } from 'luxon';
import { standalonePage } from './standalonePage';

/**
 * What is shown in place of the app while the file with the data can't be opened: what has happened, and the way back.
 * @param newest when the newest whole backup was made and what is in it; undefined when there is none
 */
export const mendingPage = (
  newest: { madeAt: string; builds: readonly { name: string; pieces: number; logged: number }[] } | undefined,
): string =>
  standalonePage({
    title: 'The data is damaged',
    body: newest
      ? [
          '<p>The file with your builds is damaged and can’t be opened. Nothing was changed in it. The newest whole backup is of',
          `<strong>${DateTime.fromISO(newest.madeAt, { zone: 'utc' }).toFormat("ccc d LLL yyyy, HH:mm 'UTC'")}</strong>:</p><ul>`,
          {
            list: newest.builds.map(
              ({ name, pieces, logged }) => `${name}: ${pieces} pieces, ${logged} log entries`,
            ),
          },
          '</ul><form method="post" action="/mend"><button type="submit">Put it back</button></form>',
          '<p><small>The damaged file is kept beside the backups. What phones have not sent yet they send after that.</small></p>',
        ]
      : [
          '<p>The file with your builds is damaged and can’t be opened, and there is no whole backup. Nothing was changed in it. Put a copy of',
          'yours in its place, or start with an empty folder: name one with FIXATUM_DATA.</p>',
        ],
  });
