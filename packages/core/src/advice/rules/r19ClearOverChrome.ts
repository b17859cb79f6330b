import { has } from '../../model/traits';
import { isClear, pairRule, ways } from '../pairs';

/** R19: any clear film dulls a chrome effect, also one that is called a sealer: epoxy, foam coat. */
export const r19ClearOverChrome = pairRule({
  id: 'R19',
  severity: 'risk',
  title: 'Clear over chrome effect',
  reason: 'Chrome effects are flakes lying flat as a mirror. Any wet film lifts and tilts them.',
  judge({ over, under }, piece, context) {
    const isFilm = isClear(over.material) || over.material.role === 'seal';
    if (!isFilm || !has(under.material, 'mirror')) return undefined;
    return {
      message: `${over.material.name} turns the ${under.material.name} into plain satin metal.`,
      ideas: [ways.drop('Leave the chrome bare', piece, context, over.at)],
    };
  },
});
