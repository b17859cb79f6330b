import { DateTime } from 'luxon';
import { standalonePage } from './standalonePage';

/** What has become of the file with the data: it can't be read, or it is gone or empty where there were builds. */
export type Trouble = 'damaged' | 'gone';

const happened: Record<Trouble, { title: string; said: string; afterwards: string; without: string }> = {
  damaged: {
    title: 'The data is damaged',
    said: 'The file with your builds is damaged and can’t be opened. Nothing was changed in it.',
    afterwards: 'The damaged file is kept beside the backups.',
    without: 'Put a copy of yours in its place, or start with an empty folder: name one with FIXATUM_DATA.',
  },
  gone: {
    title: 'The builds are gone',
    said: 'There were builds in this folder, and the file that held them is empty or not there any more.',
    afterwards: 'What lies there now is kept beside the backups.',
    without: 'Put a copy of yours in its place, or begin with nothing.',
  },
};
const BEGIN_AFRESH =
  '<form method="post" action="/begin"><button type="submit">Begin with nothing</button></form>';

/**
 * What is shown in place of the app while the file with the data can't be opened, or is gone: what has happened, and the way back.
 * @param newest when the newest whole backup was made and what is in it; undefined when there is none
 */
export const mendingPage = (
  trouble: Trouble,
  newest: { madeAt: string; builds: readonly { name: string; pieces: number; logged: number }[] } | undefined,
): string =>
  standalonePage({
    title: happened[trouble].title,
    body: newest
      ? [
          `<p>${happened[trouble].said} The newest whole backup is of`,
          `<strong>${DateTime.fromISO(newest.madeAt, { zone: 'utc' }).toFormat("ccc d LLL yyyy, HH:mm 'UTC'")}</strong>:</p><ul>`,
          {
            list: newest.builds.map(
              ({ name, pieces, logged }) => `${name}: ${pieces} pieces, ${logged} log entries`,
            ),
          },
          '</ul><form method="post" action="/mend"><button type="submit">Put it back</button></form>',
          `<p><small>${happened[trouble].afterwards} What phones have not sent yet they send after that.</small></p>`,
          ...(trouble === 'gone' ? [BEGIN_AFRESH, '<p><small>Backups stay where they are.</small></p>'] : []),
        ]
      : [
          `<p>${happened[trouble].said} And there is no whole backup. ${happened[trouble].without}</p>`,
          ...(trouble === 'gone' ? [BEGIN_AFRESH] : []),
        ],
  });
