import { sampleBuild } from '../testing/sampleBuild';
import { toWallTime } from '../model/wallTime';
import { planView } from './planView';

describe('planView', () => {
  const view = planView(sampleBuild());

  it('survives being sent between threads', () => {
    expect(structuredClone(view)).toEqual(view);
  });

  it('draws an unbroken ribbon that starts bare and ends ready', () => {
    const { ribbon } = view.pieces[0]!;
    ribbon.forEach((span, at) => expect(span.from).toBe(at === 0 ? view.from : ribbon[at - 1]!.to));
    expect(ribbon[0]!.state).toBe('bare');
    expect(ribbon[ribbon.length - 1]).toMatchObject({ to: view.until, state: 'ready', colour: '#445566' });
  });

  it('shows the first coat wet, touch-dry and recoatable in its minutes', () => {
    // PVA foam primer laid 08:05: touch 20, recoat 45, and covered at 08:52.
    const states = view.pieces[0]!.ribbon.slice(0, 5).map((span) => [
      span.state,
      toWallTime(span.from, 'UTC').slice(11),
    ]);
    expect(states.slice(1)).toEqual([
      ['wet', '08:05'],
      ['touch-dry', '08:25'],
      ['recoatable', '08:50'],
      ['wet', '08:52'],
    ]);
  });

  it('stacks films with their dry thickness', () => {
    // 120 µm wet at 42 % solids is 50.4 µm; craft acrylic 80 µm at 32 % is 25.6 µm.
    expect(view.strata['plate/1']!['outer:whole']!.map((coat) => coat.dftUm)).toEqual([
      expect.closeTo(50.4, 6),
      expect.closeTo(50.4, 6),
      expect.closeTo(25.6, 6),
    ]);
  });
});
