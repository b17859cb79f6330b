import { has } from '../../model/traits';
import { isClear, pairRule, ways } from '../pairs';

/** R19: any clear dulls a chrome effect. */
export const r19ClearOverChrome = pairRule({
  id: 'R19',
  severity: 'risk',
  title: 'Clear over chrome effect',
  reason: 'Chrome effects are flakes lying flat as a mirror. Any wet film lifts and tilts them.',
  judge({ over, under }, piece, context) {
    if (!isClear(over.material) || !has(under.material, 'mirror')) return undefined;
    return {
      message: `${over.material.name} turns the ${under.material.name} into plain satin metal.`,
      ideas: [ways.drop('Leave the chrome bare', piece, context, over.at)],
    };
  },
});
