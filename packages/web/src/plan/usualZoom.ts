/** How close the chart can be looked at. */
export const zooms = [
  { key: 'all', word: 'All', pxPerHour: 0 },
  { key: 'weeks', word: 'Weeks', pxPerHour: 3.2 },
  { key: 'days', word: 'Days', pxPerHour: 14 },
  { key: 'hours', word: 'Hours', pxPerHour: 70 },
  { key: 'minutes', word: 'Minutes', pxPerHour: 360 },
] as const;
export type Zoom = (typeof zooms)[number]['key'];

/** As close as the chart is at most when it opens. */
const CLOSEST: Zoom = 'days';

/**
 * The zoom a chart opens in: by days, or further off until now and the next work are in sight together.
 * @param minutes from now until the next work is over; undefined where there is none
 * @param roomPx to the right of now
 */
export function usualZoom(minutes: number | undefined, roomPx: number): Zoom {
  const at = zooms.findIndex(({ key }) => key === CLOSEST);
  if (minutes === undefined) return CLOSEST;
  const fits = zooms.slice(0, at + 1).findLast(({ pxPerHour }) => (minutes / 60) * pxPerHour <= roomPx);
  return fits?.key ?? 'all';
}
