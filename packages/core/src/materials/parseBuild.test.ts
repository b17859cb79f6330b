import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { pathText } from '../model/fault';
import { parseBuild, parseBuildText } from './parseBuild';

const faultsOf = (data: unknown) => {
  const parsed = parseBuild(data);
  return parsed.ok ? [] : parsed.faults.map((fault) => `${pathText(fault.path)} ${fault.code}`);
};

describe('parseBuild', () => {
  it('takes a good build', () => {
    expect(faultsOf(sampleBuild())).toEqual([]);
  });

  it.each(['orrery-courier', 'tidepool-lantern'])(
    'takes the demo build %s and gives it back equal',
    (name) => {
      const text = readFileSync(join(__dirname, '../../../../demo', `${name}.json`), 'utf8');
      const parsed = parseBuildText(text);
      expect(parsed.ok && parsed.value).toEqual(JSON.parse(text));
    },
  );

  it('keeps fields it does not know, at every depth', () => {
    const build = sampleBuild({ mood: 'brass' });
    build.pieces[0]!.pattern = { sheets: 2 };
    build.pieces[0]!.steps[0]!.brushNumber = 8;
    const parsed = parseBuild(JSON.parse(JSON.stringify(build)));
    expect(parsed.ok && JSON.parse(JSON.stringify(parsed.value))).toEqual(JSON.parse(JSON.stringify(build)));
  });

  it('says where broken JSON breaks', () => {
    const parsed = parseBuildText('{"format": ');
    expect(parsed).toMatchObject({ ok: false, faults: [{ code: 'broken-json', path: [] }] });
  });

  it.each([
    ['no object', [], 'the file not-a-build'],
    ['another format', { format: 'other/9' }, 'format format'],
    [
      'a negative area',
      sampleBuild({ pieces: [samplePiece({ faces: { outer: { areaCm2: -5 } } })] }),
      'pieces[0].faces.outer.areaCm2 bad-value',
    ],
    [
      'an area of zero',
      sampleBuild({ pieces: [samplePiece({ faces: { outer: { areaCm2: 0 } } })] }),
      'pieces[0].faces.outer.areaCm2 bad-value',
    ],
    [
      '201 of a kind',
      sampleBuild({ pieces: [samplePiece({ quantity: 201 })] }),
      'pieces[0].quantity bad-value',
    ],
    [
      'a name of 300 letters',
      sampleBuild({ pieces: [samplePiece({ name: 'x'.repeat(300) })] }),
      'pieces[0].name bad-value',
    ],
    [
      'an unknown material',
      sampleBuild({ pieces: [samplePiece({}, [{ id: 's', kind: 'seal', material: 'ghost' }])] }),
      'pieces[0].steps[0].material unknown-id',
    ],
    [
      'an unknown place',
      sampleBuild({ pieces: [samplePiece({}, [{ id: 's', kind: 'prep', place: 'moon' }])] }),
      'pieces[0].steps[0].place unknown-id',
    ],
    [
      'an unknown event',
      sampleBuild({ pieces: [samplePiece({ event: 'never' })] }),
      'pieces[0].event unknown-id',
    ],
    [
      'an inner face that is not there',
      sampleBuild({ pieces: [samplePiece({}, [{ id: 's', kind: 'prep', faces: ['inner'] }])] }),
      'pieces[0].steps[0].faces no-face',
    ],
    [
      'two pieces of one id',
      sampleBuild({ pieces: [samplePiece(), samplePiece()] }),
      'pieces[1].id id-twice',
    ],
    ['30 February', sampleBuild({ start: '2027-02-30T10:00' }), 'start no-such-date'],
    [
      'an hour the clocks skip',
      sampleBuild({ timeZone: 'Europe/Lisbon', start: '2027-03-28T01:30' }),
      'start no-such-date',
    ],
    ['a made-up time zone', sampleBuild({ timeZone: 'Atlantis/Deep' }), 'timeZone time-zone'],
    [
      'shares that miss one',
      sampleBuild({ pieces: [samplePiece({ zones: [{ id: 'a', name: 'A', share: 0.5 }] })] }),
      'pieces[0].zones shares',
    ],
    [
      'packing after wearing',
      sampleBuild({
        events: [{ id: 'day', name: 'D', wearAt: '2027-03-01T09:00', packAt: '2027-03-02T09:00' }],
      }),
      'events[0].packAt dates-crossed',
    ],
    [
      'a pin on a day that is not',
      sampleBuild({ pins: [{ operation: 'plate/1/seal/1/outer', at: '2027-02-30T10:00' }] }),
      'pins[0].at no-such-date',
    ],
    [
      'a finger on a piece there is none of',
      sampleBuild({
        touchTests: [{ id: 't', piece: 'ghost', unit: 1, at: '2027-02-16T10:00', state: 'dry' }],
      }),
      'touchTests[0].piece unknown-id',
    ],
    [
      'a swatch with a result and no date',
      sampleBuild({
        swatches: [
          { id: 's', coats: [{ material: 'craft-acrylic' }], substrate: 'eva-foam', result: 'good' },
        ],
      }),
      'swatches[0].judgedOn half-judged',
    ],
    [
      'a pass logged with a tin there is none of',
      sampleBuild({
        log: [
          {
            id: 'l',
            piece: 'plate',
            unit: 1,
            step: 'seal',
            coat: 1,
            doneAt: '2027-02-16T10:00',
            material: 'ghost',
          },
        ],
      }),
      'log[0].material unknown-id',
    ],
    [
      'a log entry of a fourth unit',
      sampleBuild({
        log: [
          {
            id: 'l',
            piece: 'plate',
            unit: 4,
            step: 'seal',
            coat: 1,
            face: 'outer',
            doneAt: '2027-02-16T10:00',
          },
        ],
      }),
      'log[0].unit no-unit',
    ],
    [
      'a log entry of a third coat',
      sampleBuild({
        log: [
          {
            id: 'l',
            piece: 'plate',
            unit: 1,
            step: 'seal',
            coat: 3,
            face: 'outer',
            doneAt: '2027-02-16T10:00',
          },
        ],
      }),
      'log[0].coat no-coat',
    ],
  ])('refuses %s', (_what, data, fault) => {
    expect(faultsOf(data)).toEqual([fault]);
  });

  it('names the steps that wait for each other in a circle', () => {
    const build = sampleBuild({
      pieces: [
        samplePiece({}, [
          { id: 'a', kind: 'prep', after: ['b'] },
          { id: 'b', kind: 'prep', after: ['a'] },
        ]),
      ],
    });
    const parsed = parseBuild(build);
    expect(parsed).toMatchObject({
      ok: false,
      faults: [{ code: 'cycle', path: ['pieces', 0, 'steps', 0, 'after'] }],
    });
    expect(!parsed.ok && parsed.faults[0]!.message).toContain('plate/a → plate/b → plate/a');
  });

  it('reports every fault, not only the first', () => {
    const build = sampleBuild({
      pieces: [samplePiece({ event: 'x' }, [{ id: 's', kind: 'seal', material: 'ghost', place: 'moon' }])],
    });
    expect(faultsOf(build)).toHaveLength(3);
  });

  it('lays own tins over the catalogue and refuses those that stand on nothing', () => {
    expect(
      faultsOf(sampleBuild({ materials: [{ id: 'my-dip', extends: 'rubber-dip-spray', recoat: '20-' }] })),
    ).toEqual([]);
    expect(faultsOf(sampleBuild({ materials: [{ id: 'my-dip', extends: 'nothing' }] }))).toEqual([
      'materials[0].extends unknown-id',
    ]);
    expect(faultsOf(sampleBuild({ materials: [{ id: 'my-dip' }] }))).toEqual(['materials[0] bad-value']);
  });
});
