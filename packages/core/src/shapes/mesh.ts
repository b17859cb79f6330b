import { bodiesOf, type Bodies } from './meshBodies';
import { tightest } from './meshCurve';
import { edgeLength, edgesOf, type Edges } from './meshEdges';
import { outsideOf, type MeshCount, type MeshKind, type Outside } from './meshOutside';
import { MeshFault, welded, type Mesh, type MeshPart } from './meshWeld';

/** What one part of a mesh comes to on the outside of the piece. */
export interface MeshZone {
  name: string;
  areaCm2: number;
  /** Of the outer face, 0 to 1. */
  share: number;
  edgeMm: number;
  /** Where it meets other parts, by their place in the list, mm. */
  borders: { part: number; mm: number }[];
}

/** What a mesh comes to as a piece. */
export interface MeshFigures {
  triangles: number;
  /** What is finished of it. */
  outerCm2: number;
  /** Of a shell, its other side. */
  innerCm2: number | undefined;
  /** The cut edges between the two sides of a shell. */
  rimCm2: number;
  thicknessMm: number | undefined;
  kind: MeshKind;
  /** What was counted, by `count` or else by what looks likeliest. */
  counted: MeshCount;
  /** What each way of counting that makes sense here comes to, cm²: one that can be told apart is the only one. */
  ways: { count: MeshCount; areaCm2: number }[];
  /** What was put right on the way, in sentences. */
  notes: string[];
  /** Along x, y and z. */
  sizeMm: readonly [number, number, number];
  zones: MeshZone[];
  /** The tightest curve of the outer face but for its sharp corners; undefined where it is flat. */
  tightestMm: number | undefined;
  /** Triangles that count, by their place among all of the file. */
  isOuter: Uint8Array;
}

/**
 * Measures a mesh: what of it is finished, and of a shell its inner face, rim and thickness (docs/domain.md, "From drawings to areas").
 * @param mmPerUnit what one unit of the file is
 * @param count what is finished of it; without it what looks likeliest
 * @throws MeshFault where there is nothing to measure
 */
export function meshFigures(parts: readonly MeshPart[], mmPerUnit: number, count?: MeshCount): MeshFigures {
  const mesh = welded(parts, mmPerUnit);
  const edges = edgesOf(mesh);
  const bodies = bodiesOf(mesh, edges);
  if (bodies.bodies.size === 0)
    throw new MeshFault('There are no faces in this file: export the surface, not only its lines.');
  const { ways, likeliest } = outsideOf(mesh, edges, bodies);
  const outside = ways.find((way) => way.count === count) ?? ways.find((way) => way.count === likeliest)!;
  const isOuter = new Uint8Array(mesh.read);
  for (let at = 0; at < mesh.count; at += 1) isOuter[mesh.source[at]!] = outside.isOuter[at]!;
  const outerMm2 = outside.areaMm2;
  return {
    triangles: mesh.count,
    outerCm2: outerMm2 / 100,
    innerCm2: outside.innerMm2 === undefined ? undefined : outside.innerMm2 / 100,
    rimCm2: outside.rimMm2 / 100,
    thicknessMm: outside.thicknessMm,
    kind: outside.kind,
    counted: outside.count,
    ways: ways.map((way) => ({ count: way.count, areaCm2: way.areaMm2 / 100 })),
    notes: notesOf(mesh, bodies),
    sizeMm: mesh.size,
    zones: zonesOf(parts, mesh, edges, outside),
    tightestMm: tightest(mesh, edges, { isOuter: outside.isOuter, faces: bodies.faceOf }),
    isOuter,
  };
}

const faceWord = (count: number): string => `${count.toLocaleString('en')} ${count === 1 ? 'face' : 'faces'}`;

/** What was put right before measuring. */
function notesOf(mesh: Mesh, { bodies, turned }: Bodies): string[] {
  const hollows = [...bodies.values()].filter(({ depth }) => depth % 2 === 1).length;
  return [
    ...(mesh.doubles > 0 ? [`${faceWord(mesh.doubles)} stood in the file twice, and count once.`] : []),
    ...(turned > 0
      ? [
          turned === 1
            ? '1 face was inside out, and is turned.'
            : `${faceWord(turned)} were inside out, and are turned.`,
        ]
      : []),
    ...(hollows > 0
      ? [
          hollows === 1
            ? 'One body lies inside another: it is a hollow.'
            : `${hollows} bodies lie inside others: they are hollows.`,
        ]
      : []),
  ];
}

function zonesOf(
  parts: readonly MeshPart[],
  mesh: Mesh,
  edges: Edges,
  { isOuter: counts, outerShare, areaMm2: outerMm2 }: Outside,
): MeshZone[] {
  const areas = parts.map(() => 0);
  for (let at = 0; at < mesh.count; at += 1) if (counts[at]) areas[mesh.part[at]!]! += mesh.area[at]!;
  const edgesMm = parts.map(() => 0);
  const borders = parts.map(() => new Map<number, number>());
  const isOuter = (at: number) => at >= 0 && counts[at] === 1;
  for (let edge = 0; edge < edges.count; edge += 1) {
    const [one, other] = [edges.left[edge]!, edges.right[edge]!];
    const [a, b] = [isOuter(one) ? mesh.part[one]! : -1, isOuter(other) ? mesh.part[other]! : -1];
    if (a === b) continue;
    const mm = edgeLength(mesh, edges, edge) * outerShare;
    for (const [own, next] of [
      [a, b],
      [b, a],
    ] as const) {
      if (own < 0) continue;
      edgesMm[own]! += mm;
      if (next >= 0) borders[own]!.set(next, (borders[own]!.get(next) ?? 0) + mm);
    }
  }
  return parts.map(({ name }, at) => ({
    name,
    areaCm2: (areas[at]! * outerShare) / 100,
    share: outerMm2 > 0 ? (areas[at]! * outerShare) / outerMm2 : 0,
    edgeMm: edgesMm[at]!,
    borders: [...borders[at]!].map(([part, mm]) => ({ part, mm })),
  }));
}

/** Units a mesh may be in, the likeliest first, with what one is in mm. */
export const meshUnits = [
  { id: 'mm', word: 'millimetres', mm: 1 },
  { id: 'cm', word: 'centimetres', mm: 10 },
  { id: 'inch', word: 'inches', mm: 25.4 },
  { id: 'm', word: 'metres', mm: 1000 },
] as const;
export type MeshUnit = (typeof meshUnits)[number]['id'];

/** Costume pieces are larger than a button and no larger than a tall person with a spear, mm. */
const LEAST_MM = 15;
const MOST_MM = 2_500;

/** The unit that makes a mesh as large as costume pieces are: millimetres, if they do. */
export function likelyMeshUnit(largest: number): MeshUnit | undefined {
  return meshUnits.find(({ mm }) => largest * mm >= LEAST_MM && largest * mm <= MOST_MM)?.id;
}
