import { BACK_AFTER_TRIES, Wandering } from './wandering';

describe('Wandering', () => {
  it('goes back to the best 60 tries after it left it, whatever number the try has', () => {
    expect(BACK_AFTER_TRIES).toBe(60);
    const wandering = new Wandering('best');
    wandering.leaveFor('worse', 7);
    expect(wandering.at(8)).toBe('worse');
    expect(wandering.at(66)).toBe('worse');
    expect(wandering.at(67)).toBe('best');
    // It may leave again.
    wandering.leaveFor('other', 70);
    expect([wandering.at(129), wandering.at(130)]).toEqual(['other', 'best']);
  });

  it('counts from when it left the best, not from its last step', () => {
    const wandering = new Wandering('best');
    wandering.leaveFor('worse', 1);
    wandering.leaveFor('worse still', 50);
    expect([wandering.at(60), wandering.at(61)]).toEqual(['worse still', 'best']);
  });

  it('stays with what is better than the best', () => {
    const wandering = new Wandering('best');
    wandering.leaveFor('worse', 1);
    wandering.found('better');
    expect(wandering.at(500)).toBe('better');
  });
});
