import { pairRule, ways } from '../pairs';

/** R10: nothing sticks to silicone caulk. */
export const r10OnSilicone = pairRule({
  id: 'R10',
  severity: 'stop',
  title: 'Anything on silicone caulk',
  reason: 'Paint and glue bead up on silicone and peel off it.',
  judge({ over, under }, piece, context) {
    if (under.material.binder !== 'silicone') return undefined;
    return {
      message: `Nothing sticks to ${under.material.name}: cut it out and refill with acrylic caulk.`,
      ideas: [
        ways.set('Fill with acrylic caulk instead', piece, context, under.at, { material: 'acrylic-caulk' }),
      ].filter(() => over.at > under.at),
    };
  },
});
