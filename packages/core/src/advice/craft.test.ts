import { materialsOf } from '../materials/ownMaterials';
import type { Piece, Step } from '../model/schema';
import { paint, pva, scuff, varnish } from '../testing/firing';
import { lay, plate } from '../testing/ruleCases';
import { breaksCraft } from './craft';
import type { Severity } from './finding';

const materials = materialsOf();
const primer = lay('prime', 'prime', 'acrylic-pu-primer-grey');
const wash = lay('wash', 'weather', 'acrylic-wash');
const glue = lay('glue', 'join', 'contact-cement');
const strap: Step = { id: 'strap', kind: 'attach', attaches: 'strap' };
const start = [glue, pva, primer, paint, wash, varnish, strap];
const piece = (steps: Step[]): Piece => plate(steps).pieces[0]!;
const without = (id: string) => start.filter((step) => step.id !== id);
const swapped = (id: string, material: string) =>
  start.map((step) => (step.id === id ? { ...step, material } : step));
const inserted = (at: number, step: Step) => [...start.slice(0, at), step, ...start.slice(at)];

const breaks = (steps: Step[], severity: Severity = 'stop', isCure = false) =>
  breaksCraft(
    piece(start),
    piece(steps),
    { label: '', change: [{ op: 'remove', path: '' }], isCure },
    severity,
    materials,
  );

describe('what no finisher would do', () => {
  it.each([
    ['a primer over the paint', inserted(5, { ...primer, id: 'new' })],
    ['a primer over the clear', inserted(6, { ...primer, id: 'new' })],
    ['the sealer after the paint', [glue, primer, paint, pva, wash, varnish, strap]],
    ['paint over the wash', inserted(5, { ...paint, id: 'new' })],
    ['paint over the clear', inserted(6, { ...paint, id: 'new' })],
    ['sanding the wash away', inserted(5, scuff)],
    ['no glue', without('glue')],
    ['no sealer', without('pva')],
    ['no paint', without('paint')],
    ['no strap', without('strap')],
    ['powder for a wash', swapped('wash', 'graphite-powder')],
    ['a sheer colour for one that covers', swapped('paint', 'mica-paint')],
    ['metal for paint', swapped('paint', 'acrylic-metallic')],
    ['latex that was not there', swapped('pva', 'natural-latex')],
    ['brittle glue for foam', swapped('glue', 'ca-glue')],
  ])('%s', (_what, steps) => expect(breaks(steps)).toBe(true));

  it.each([
    ['another paint of its kind', swapped('paint', 'flex-acrylic')],
    ['another sealer', swapped('pva', 'neoprene-soft')],
    ['a clear between paint and wash', inserted(4, { ...varnish, id: 'new' })],
    ['scuffing the paint before the wash', inserted(4, scuff)],
    ['the wash after the clear', [glue, pva, primer, paint, varnish, wash, strap]],
  ])('but %s', (_what, steps) => expect(breaks(steps)).toBe(false));

  it('gives up a wash or a clear where it fails otherwise, and nothing for a risk', () => {
    expect(breaks(without('wash'), 'stop')).toBe(false);
    expect(breaks(without('wash'), 'risk')).toBe(true);
    // A rule that says so itself knows why.
    expect(breaks(without('varnish'), 'risk', true)).toBe(false);
  });
});
