import { isClear, isOilyWash, pairRule, ways } from '../pairs';

/** R44: a clear over a wash of oil or enamel that has not cured lifts it, beads, or stays soft. */
export const r44WashUnderClear = pairRule({
  id: 'R44',
  severity: 'risk',
  title: 'Oil or enamel wash not cured under a clear',
  reason:
    'A wash cures by taking up oxygen, for days. A solvent clear dissolves it again, a water-borne one beads on it, and shut in it stays soft.',
  judge(meeting, piece, context) {
    const { over, under } = meeting;
    if (!isClear(over.material) || !isOilyWash(under) || meeting.cured) return undefined;
    return {
      message: `${over.material.name} goes over ${under.material.name} before it has cured.`,
      ideas: [ways.waitForCure(piece, context, over)],
    };
  },
});
