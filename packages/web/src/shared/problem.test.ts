import { problemIn } from './problem';

const fault = { code: 'missing', path: ['pieces', 0, 'name'], message: 'Piece 1, name: missing.' };

describe('a problem', () => {
  it('is read as our server writes it', () => {
    const said = {
      type: 'urn:fixatum:problem:invalid',
      title: 'Not usable',
      detail: 'One fault.',
      faults: [fault],
      etag: '"3"',
    };
    expect(problemIn(said)).toEqual(said);
  });
  it.each([
    ['nothing', {}],
    ['what is of another kind', { title: 7, detail: null, faults: 'none', etag: 3 }],
    ['faults of which one is none', { faults: [fault, { code: 'x', path: [{}], message: 'y' }] }],
    ['faults without words', { faults: [{ code: 'x', path: [] }] }],
  ])('of %s has plain words and no faults', (_, data) => {
    expect(problemIn(data)).toEqual({
      type: undefined,
      title: 'That did not work',
      detail: 'The server gave no reason.',
      faults: [],
      etag: undefined,
    });
  });
});
