import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readDxfSheet } from '../io/dxfSheet';
import { textOfFile } from '../io/fileText';
import { readSvgSheet } from '../io/svgSheet';
import corpus from '../../corpus/areas.json';
import { areaMm2, evenOdd } from './clip';
import { foundOnSheet, type FoundPage } from './foundSheet';
import { meshFigures, type MeshFigures } from './mesh';
import type { MeshCount } from './meshOutside';
import type { MeshPart } from './meshWeld';

// Drawings and meshes made by `corpus/make.py`, with their areas by shapely, ezdxf and numpy, which share nothing with what is tested here.

interface Entry {
  file: string;
  /** What is to come out, cm²; of a drawing each outline without its holes, the smallest first. */
  areasCm2: number[];
  /** What the person is asked or told about it. */
  asks?: string;
  /** Off by so much at most; where nothing is said a thousandth, of meshes five. */
  tolerance?: number;
  /** mm, where the file does not say. */
  unit?: number;
  way?: string;
}
const entries: Entry[] = corpus;
const bytesOf = (file: string) => readFileSync(join(__dirname, '../../corpus', file));
const off = (cm2: number, wanted: number) => Math.abs(cm2 / wanted - 1);

const drawings = entries.filter(({ file }) => file.startsWith('drawings/'));
const meshes = entries.filter(({ file }) => file.startsWith('meshes/'));

it('there are sixty drawings and twenty-five meshes', () => {
  expect(drawings.length).toBeGreaterThanOrEqual(60);
  expect(meshes.length).toBeGreaterThanOrEqual(25);
});

/** How often a page has what it is asked about. */
const asked = (page: FoundPage, what: string): number => {
  if (what === 'crosses') return page.outlines.filter(({ crosses }) => crosses).length;
  const told = page[what as keyof FoundPage];
  return Array.isArray(told) ? told.length : Number(told);
};

it.each(drawings.map((entry) => [entry.file, entry] as const))('%s', (_, entry) => {
  const text = textOfFile(bytesOf(entry.file));
  const sheet = entry.file.endsWith('.dxf') ? readDxfSheet(text) : readSvgSheet(text);
  expect(sheet.mmPerUnit === undefined).toBe(entry.unit !== undefined);
  const [page] = foundOnSheet(sheet, { mmPerUnit: sheet.mmPerUnit ?? entry.unit! }).pages;
  const areas = page!.outlines
    .map(({ outer, holes }) => areaMm2(evenOdd([outer, ...holes])) / 100)
    .sort((a, b) => a - b);
  expect(areas).toHaveLength(entry.areasCm2.length);
  areas.forEach((cm2, at) => expect(off(cm2, entry.areasCm2[at]!)).toBeLessThan(entry.tolerance ?? 0.001));
  if (entry.asks) expect(asked(page!, entry.asks)).toBeGreaterThan(0);
  else
    expect(['letters', 'thin', 'across', 'shared', 'beyond'].map((what) => asked(page!, what))).toEqual([
      0, 0, 0, 0, 0,
    ]);
});

/** The triangles of a binary STL: 80 bytes, how many there are, and each as its normal, three corners and two bytes. */
function trianglesOf(bytes: Buffer): MeshPart {
  const count = bytes.readUInt32LE(80);
  const positions = new Float32Array(count * 9);
  for (let at = 0; at < count; at += 1)
    for (let n = 0; n < 9; n += 1) positions[at * 9 + n] = bytes.readFloatLE(84 + at * 50 + 12 + n * 4);
  return { name: '', positions };
}
const told = (figures: MeshFigures, what: string): number =>
  what === 'notes' ? figures.notes.length : figures.ways.length - 1;

it.each(meshes.map((entry) => [entry.file, entry] as const))('%s', (_, entry) => {
  const part = trianglesOf(bytesOf(entry.file));
  const figures = meshFigures([part], entry.unit ?? 1);
  const outer = entry.way ? meshFigures([part], entry.unit ?? 1, entry.way as MeshCount) : figures;
  expect(off(outer.outerCm2, entry.areasCm2[0]!)).toBeLessThan(entry.tolerance ?? 0.005);
  if (entry.asks) expect(told(figures, entry.asks)).toBeGreaterThan(0);
});
