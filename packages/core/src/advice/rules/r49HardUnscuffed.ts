import { pairRule, ways } from '../pairs';

/** R49: epoxy and other two-part films that have gone hard take nothing unless they are washed and scuffed. */
export const r49HardUnscuffed = pairRule({
  id: 'R49',
  severity: 'stop',
  title: 'Cured two-part film coated without scuffing',
  reason:
    'It has set to a hard, closed face, often with a greasy blush on it. The next film lies on it like on glass and comes off in sheets.',
  judge(meeting, piece, context) {
    const { over, under } = meeting;
    if (under.material.potLife === undefined || meeting.scuffed || under.share < 0.5) return undefined;
    if (!meeting.isAfterFirstWindow && !meeting.cured) return undefined;
    return {
      message: `${over.material.name} does not hold to ${under.material.name} that has gone hard: wash it and scuff it first.`,
      ideas: [
        ways.scuff(
          'Wash and scuff it first',
          piece,
          context,
          { at: under.at + 1, step: over.step },
          {
            note: 'Wash with warm water and soap, then a fine pad until no spot shines.',
          },
        ),
      ],
    };
  },
});
