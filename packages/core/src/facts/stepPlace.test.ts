import type { Piece, Step } from '../model/schema';
import { lookById } from '../looks/shippedLooks';
import { writeSteps } from '../looks/writeSteps';
import { entryOf } from '../model/sure';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { placeOfStep } from './stepPlace';

const foam = samplePiece({ keepBare: ['tab'] }, []);
const dressed = (look: string, more: object = {}): Piece => ({
  ...foam,
  steps: writeSteps(sampleBuild(), foam, {
    looks: [{ look: entryOf(lookById, look) }],
    straps: true,
    ...more,
  }).steps,
});
/** What stands before and behind a new step. */
function between(
  piece: Piece,
  step: Partial<Step> & Pick<Step, 'kind'>,
  begun?: ReadonlySet<string>,
): string {
  const at = placeOfStep(piece, { id: 'new', ...step }, begun);
  const said = (one: Step | undefined) => (one ? (one.looksOver ?? one.kind) : '-');
  return `${said(piece.steps[at - 1])} | ${said(piece.steps[at])}`;
}

describe('where a new step belongs', () => {
  const hat = dressed('aged-brass', { seams: 'both', tryOn: true });

  it.each<[Partial<Step> & Pick<Step, 'kind'>, string]>([
    // Weathering before the clear, never behind straps and the last look.
    [{ kind: 'weather', material: 'dry-brush-acrylic', method: 'dry-brush' }, 'weather | topcoat'],
    [{ kind: 'detail', material: 'craft-acrylic' }, 'base | coloured'],
    [{ kind: 'base', material: 'craft-acrylic' }, 'base | coloured'],
    [{ kind: 'topcoat', material: 'satin-varnish' }, 'topcoat | unmask'],
    [{ kind: 'inspect', looksOver: 'worn' }, 'worn | bare'],
    [{ kind: 'join', parts: ['fin'] }, 'unmask | attach'],
    [{ kind: 'attach', attaches: 'lens' }, 'attach | packing'],
    [{ kind: 'prime', material: 'acrylic-pu-primer-grey' }, 'prime | sand'],
    [{ kind: 'seal', material: 'pva-flex-primer' }, 'seal | felt'],
    [{ kind: 'fill', material: 'acrylic-caulk' }, 'fill | sand'],
    // Burned lines after filling and sanding; what is pressed after the heat.
    [{ kind: 'texture', texture: 'burned' }, 'sand | heat-seal'],
    [{ kind: 'texture', texture: 'pressed' }, 'heat-seal | worn'],
    [{ kind: 'prep' }, 'prep | fill'],
  ])('%j stands between %s', (step, expected) => {
    expect(between(hat, step)).toBe(expected);
  });

  it('is never before what is begun, and is the end where nothing comes later', () => {
    const clear = hat.steps.find(({ kind }) => kind === 'topcoat')!;
    expect(between(hat, { kind: 'weather' }, new Set([clear.id]))).toBe('topcoat | unmask');
    expect(placeOfStep(samplePiece(), { id: 'n', kind: 'attach' })).toBe(2);
    expect(placeOfStep({ ...foam, steps: [] }, { id: 'n', kind: 'base' })).toBe(0);
  });
});
