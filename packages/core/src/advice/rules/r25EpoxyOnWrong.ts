import { binderOf } from '../../model/binders';
import { pairRule, ways } from '../pairs';

/** R25: epoxy over wax, resist, silicone or acrylic that has not cured gets fish-eyes and stays soft. */
export const r25EpoxyOnWrong = pairRule({
  id: 'R25',
  severity: 'stop',
  title: 'Epoxy over wax, resist, silicone or soft acrylic',
  reason:
    'Epoxy draws back from greasy faces, and water still leaving an acrylic spoils its cure from below.',
  judge(meeting, piece, context) {
    const { over, under } = meeting;
    if (over.material.binder !== 'epoxy') return undefined;
    if (binderOf(under.material).repels) {
      return {
        message: `${over.material.name} draws back from ${under.material.name}: clean that off first.`,
        ideas: [],
      };
    }
    // A little of it, brushed nearly dry or wiped back, holds no water worth the name.
    if (under.material.carrier === 'water' && under.share >= 0.5 && !meeting.isDayOld) {
      return {
        message: `${over.material.name} stays soft over ${under.material.name} that is not a day old: wait.`,
        ideas: [ways.waitADay(piece, context, over)],
      };
    }
    return undefined;
  },
});
