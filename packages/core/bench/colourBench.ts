import { catalogueById } from '../src/materials/catalogue';
import { pigmentIds } from '../src/model/pigmentIds';
import { pigmentTable } from '../src/model/pigments';
import { finishLayers, paintFinish } from '../src/colour/picture/finish';
import { reliefOf } from '../src/colour/picture/relief';
import { recipesFor } from '../src/colour/recipes';
import type { Layer } from '../src/facts/spots';
import { placementIds } from '../src/model/placementIds';

/** Mixes from twelve tins, and the picture of a finish of twelve coats, as rows of the bench. */
export function colourBench(row: (what: string, ms: number, aimMs: number) => void): void {
  const craft = catalogueById.get('craft-acrylic')!;
  const tins = pigmentIds.slice(0, 12).map((id) => ({ material: craft, colour: pigmentTable[id].masstone }));
  const wanted = ['#2f6f62', '#d9cfb4', '#5b3a86', '#7db4d8', '#5a3a26'];
  const time = (work: () => unknown) => {
    const from = performance.now();
    work();
    return performance.now() - from;
  };
  time(() => recipesFor('#808080', tins, { mostTins: 4 }));
  const mixes = wanted.map((colour) => time(() => recipesFor(colour, tins, { mostTins: 4 })));
  row('a mix from 12 tins, 4 of them, the slowest of 5', Math.max(...mixes), 300);

  const coats = Array.from({ length: 12 }, (_, at): Layer => {
    const placement = at < 4 ? 'all' : placementIds[at - 3]!;
    return {
      step: { id: `s${at}`, kind: 'base', colour: pigmentTable[pigmentIds[at]!].masstone },
      at,
      material: craft,
      film: 'normal',
      coats: 1,
      method: at % 2 === 0 ? 'brush' : 'sponge',
      placement,
      share: placement === 'all' ? 1 : 0.3,
      logged: false,
    };
  });
  const zones = [{ share: 1, layers: finishLayers(coats) }];
  const paint = () => paintFinish({ relief: reliefOf('plate', 512), ground: '#4b4d4f', zones });
  row('a finish of 12 coats, 512 × 512, first time', time(paint), 400);
  row('a finish of 12 coats, 512 × 512, again', Math.min(time(paint), time(paint), time(paint)), 400);
}
