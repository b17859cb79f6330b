import DxfParser from 'dxf-parser';
import type DxfArrayScanner from 'dxf-parser/dist/DxfArrayScanner';
import type IGeometry from 'dxf-parser/dist/entities/geomtry';
import type {
  IArcEntity,
  IBlock,
  ICircleEntity,
  IDxf,
  IEllipseEntity,
  IEntity,
  IInsertEntity,
  ILineEntity,
  ILwpolylineEntity,
  IMtextEntity,
  IPolylineEntity,
  ITextEntity,
} from 'dxf-parser';
import { arcPoints, bulgePoints, ellipseRing, splinePoints, throughPoints } from '../shapes/curves';
import {
  after,
  asItIs,
  boundsOf,
  lineUnder,
  movedBy,
  placed,
  turnedBy,
  type Affine,
  type Line,
  type Point,
} from '../shapes/rings';
import { SheetFault, StrokeCounter, type Sheet, type SheetText } from '../shapes/sheet';
import { byteHex } from '../colour/byteHex';
import { byKind, type RawStroke } from './rawStrokes';

/** Millimetres in one unit, by the number a DXF file names its unit with. */
const MM_PER_INSUNIT: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000, 14: 100 };
const MOST_DEEP = 20;
const MOST_INSERTS = 5_000;

/**
 * The lines of a DXF drawing: lines, polylines with their bulges, arcs, circles, ellipses, splines and blocks, by layer or colour.
 * @throws SheetFault for what is no DXF, or far too large
 */
export function readDxfSheet(text: string): Sheet {
  let file: IDxf | null;
  try {
    const parser = new DxfParser();
    parser.registerEntityHandler(WeightedSpline);
    file = parser.parseSync(text);
  } catch {
    file = null;
  }
  if (!file || !Array.isArray(file.entities)) throw new SheetFault(DAMAGED);
  try {
    return new DxfReader(file).read();
  } catch (error) {
    throw error instanceof SheetFault ? error : new SheetFault(DAMAGED);
  }
}

interface WeightedSplineEntity extends IEntity {
  controlPoints: Point[];
  fitPoints: Point[];
  knotValues: number[] | undefined;
  weights: number[] | undefined;
  degreeOfSplineCurve: number;
  closed: boolean;
}

/** Reads a spline with its weights, which the library's own reader leaves out: without them a circle comes out as a cushion. */
class WeightedSpline implements IGeometry {
  readonly ForEntityName = 'SPLINE' as const;

  parseEntity(scanner: DxfArrayScanner): WeightedSplineEntity {
    const numbers = new Map<number, number[]>();
    let layer: string | undefined;
    for (let group = scanner.next(); !scanner.isEOF() && group.code !== 0; group = scanner.next()) {
      if (group.code === 8) layer = String(group.value);
      if (typeof group.value !== 'number') continue;
      const list = numbers.get(group.code);
      if (list) list.push(group.value);
      else numbers.set(group.code, [group.value]);
    }
    const points = (x: number) =>
      (numbers.get(x) ?? []).map((value, at): Point => [value, numbers.get(x + 10)?.[at] ?? 0]);
    const [flags = 0] = numbers.get(70) ?? [];
    const [colour] = numbers.get(420) ?? [];
    return {
      type: 'SPLINE',
      ...(layer === undefined ? {} : { layer }),
      ...(colour === undefined ? {} : { color: colour }),
      inPaperSpace: numbers.get(67)?.[0] === 1,
      controlPoints: points(10),
      fitPoints: points(11),
      knotValues: numbers.get(40),
      weights: numbers.get(41),
      degreeOfSplineCurve: numbers.get(71)?.[0] ?? 3,
      closed: (flags & 1) !== 0,
    } as WeightedSplineEntity;
  }
}

const DAMAGED = 'This DXF file is damaged, or is a binary one: save it as text (ASCII DXF).';

/** What a file may leave out, whatever the library's types say. */
type Loose<T> = { [Key in keyof T]?: T[Key] | undefined };

interface LooseFile {
  header?: Record<string, unknown>;
  entities: readonly IEntity[];
  blocks?: Record<string, Loose<IBlock>>;
  tables?: {
    layer?: { layers?: Record<string, { frozen?: boolean; visible?: boolean; color?: number } | undefined> };
  };
}

class DxfReader {
  private readonly raw: RawStroke[] = [];
  private readonly texts: SheetText[] = [];
  private readonly notes = new Set<string>();
  private readonly counter = new StrokeCounter();
  private readonly blocks: Readonly<Record<string, Loose<IBlock>>>;
  private inserts = 0;
  private readonly tolerance: number;

  constructor(private readonly file: LooseFile) {
    this.blocks = file.blocks ?? {};
    const unit = this.mmPerUnit();
    this.tolerance = 0.003 / (unit ?? 1);
  }

  read(): Sheet {
    this.draw(this.file.entities, asItIs, undefined, 0);
    // Y goes up in a DXF, and down here; the page is what is drawn on it.
    const { left, bottom } = boundsOf(this.raw.map(({ points }) => points));
    const map: Affine = [1, 0, 0, -1, -left, bottom];
    const raw = this.raw.map((stroke) => ({ ...stroke, points: lineUnder(stroke.points, map) }));
    const { strokes, kinds } = byKind(raw, 1);
    const texts = this.texts.map(({ x, y, text }) => {
      const [px, py] = placed([x, y], map);
      return { x: px, y: py, text };
    });
    return {
      // No width: what is drawn at its very edge is no frame.
      pages: [{ name: 'Drawing', width: 0, height: 0, strokes: strokes[0] ?? [], texts }],
      kinds,
      mmPerUnit: this.mmPerUnit(),
      notes: [...this.notes],
    };
  }

  private mmPerUnit(): number | undefined {
    const unit = this.file.header?.$INSUNITS;
    return typeof unit === 'number' ? MM_PER_INSUNIT[unit] : undefined;
  }

  private draw(entities: readonly IEntity[], map: Affine, layer: string | undefined, depth: number): void {
    for (const entity of entities) {
      const { layer: said, color, inPaperSpace, visible } = entity as Loose<IEntity>;
      if (inPaperSpace || visible === false) continue;
      // What lies on layer 0 of a block is on the layer that the block is put on.
      const own = said === '0' || said === undefined ? (layer ?? said) : said;
      const table = said === undefined ? undefined : this.file.tables?.layer?.layers?.[said];
      if (table?.frozen || table?.visible === false) continue;
      if (entity.type === 'INSERT') {
        this.insert(entity as IInsertEntity, map, own, depth);
        continue;
      }
      if (entity.type === 'TEXT' || entity.type === 'MTEXT') {
        this.say(entity as ITextEntity | IMtextEntity, map);
        continue;
      }
      const line = this.lineOf(entity);
      if (!line) continue;
      const { points, closed } = line;
      this.counter.count(points.length);
      const colour = colourOf(color ?? table?.color);
      this.raw.push({ page: 0, points: lineUnder(points, map), closed, layer: own, colour });
    }
  }

  private insert(entity: IInsertEntity, map: Affine, layer: string | undefined, depth: number): void {
    const block = Object.hasOwn(this.blocks, entity.name) ? this.blocks[entity.name] : undefined;
    if (!block?.entities) return;
    this.inserts += 1;
    if (depth > MOST_DEEP || this.inserts > MOST_INSERTS)
      throw new SheetFault('This file nests or copies its blocks more often than can be followed.');
    const {
      xScale = 1,
      yScale = 1,
      rotation = 0,
      position,
      columnSpacing = 0,
      rowSpacing = 0,
    } = entity as Loose<IInsertEntity>;
    const base = block.position ?? { x: 0, y: 0 };
    const [columns, rows] = [Math.min(100, entity.columnCount || 1), Math.min(100, entity.rowCount || 1)];
    for (let column = 0; column < columns; column += 1)
      for (let row = 0; row < rows; row += 1) {
        const spaced = movedBy(column * columnSpacing, row * rowSpacing);
        const own = [
          movedBy(position?.x ?? 0, position?.y ?? 0),
          turnedBy(rotation),
          spaced,
          [xScale, 0, 0, yScale, 0, 0] as Affine,
          movedBy(-base.x, -base.y),
        ].reduce(after);
        this.draw(block.entities, after(map, own), layer, depth + 1);
      }
  }

  private lineOf(entity: IEntity): { points: Line; closed: boolean } | undefined {
    switch (entity.type) {
      case 'LINE': {
        const { vertices = [] } = entity as Loose<ILineEntity>;
        return vertices.length > 1
          ? { points: vertices.map(({ x, y }): Point => [x, y]), closed: false }
          : undefined;
      }
      case 'LWPOLYLINE':
      case 'POLYLINE': {
        const line = entity as ILwpolylineEntity | IPolylineEntity;
        const { vertices = [], shape: closed = false } = line;
        if (vertices.length < 2) return undefined;
        const points = vertices.flatMap((vertex: { x: number; y: number; bulge?: number }, at): Point[] => {
          const next = vertices[at + 1] ?? (closed ? vertices[0] : undefined);
          if (!next) return [];
          return bulgePoints([vertex.x, vertex.y], [next.x, next.y], vertex.bulge ?? 0, this.tolerance);
        });
        const first: Point = [vertices[0]!.x, vertices[0]!.y];
        return mirrored(line, { points: closed ? points : [first, ...points], closed });
      }
      case 'CIRCLE': {
        const { center, radius } = entity as ICircleEntity;
        return radius > 0
          ? mirrored(entity, {
              points: ellipseRing([center.x, center.y], radius, radius, this.tolerance),
              closed: true,
            })
          : undefined;
      }
      case 'ARC': {
        const { center, radius, startAngle, endAngle } = entity as IArcEntity;
        const to = endAngle <= startAngle ? endAngle + 2 * Math.PI : endAngle;
        const points = arcPoints(
          [center.x, center.y],
          [radius, 0],
          [0, radius],
          startAngle,
          to,
          this.tolerance,
        );
        return radius > 0 ? mirrored(entity, { points, closed: false }) : undefined;
      }
      case 'ELLIPSE': {
        const {
          center,
          majorAxisEndPoint,
          axisRatio,
          startAngle = 0,
          endAngle = 2 * Math.PI,
        } = entity as IEllipseEntity;
        const [x, y] = [majorAxisEndPoint.x, majorAxisEndPoint.y];
        const to = endAngle <= startAngle ? endAngle + 2 * Math.PI : endAngle;
        const isWhole = Math.abs(to - startAngle - 2 * Math.PI) < 1e-6;
        const points = arcPoints(
          [center.x, center.y],
          [x, y],
          [-y * axisRatio, x * axisRatio],
          startAngle,
          to,
          this.tolerance,
        );
        return { points: isWhole ? points.slice(0, -1) : points, closed: isWhole };
      }
      case 'SPLINE': {
        const { controlPoints, fitPoints, degreeOfSplineCurve, knotValues, weights, closed } =
          entity as WeightedSplineEntity;
        const points =
          splinePoints(controlPoints, degreeOfSplineCurve, knotValues, weights) ??
          (fitPoints.length > 1 ? throughPoints(fitPoints, closed, this.tolerance) : controlPoints);
        return points.length > 1 ? { points, closed } : undefined;
      }
      default:
        if (entity.type === 'HATCH' || entity.type === 'DIMENSION')
          this.notes.add('Hatching and measures in the file are left out.');
        return undefined;
    }
  }

  private say(entity: ITextEntity | IMtextEntity, map: Affine): void {
    const { position, startPoint } = entity as Partial<
      Pick<IMtextEntity, 'position'> & Pick<ITextEntity, 'startPoint'>
    >;
    const place = position ?? startPoint;
    const { text: said = '' } = entity as Loose<ITextEntity>;
    const text = said
      .replace(/\\P/g, ' ')
      .replace(/\\[A-Za-z][^;\\]*;/g, '')
      .replace(/[{}]/g, '')
      .trim()
      .slice(0, 200);
    if (!place || text === '' || this.texts.length > 5_000) return;
    const high = ('textHeight' in entity ? entity.textHeight : entity.height) || 0;
    const long = text.length * high * 0.6;
    const isRight = 'halign' in entity && entity.halign === 2;
    const isMiddle = 'halign' in entity && (entity.halign === 1 || entity.halign === 4);
    const shift = isMiddle ? 0 : isRight ? -long / 2 : long / 2;
    const [x, y] = placed([place.x + shift, place.y + high / 2], map);
    this.texts.push({ x, y, text });
  }
}

/** A shape whose own frame is seen from behind has its left for its right. */
function mirrored(
  entity: IEntity,
  line: { points: Line; closed: boolean },
): { points: Line; closed: boolean } {
  const { extrusionDirectionZ, extrusionDirection } = entity as Partial<ILwpolylineEntity & IPolylineEntity>;
  const z = extrusionDirectionZ ?? extrusionDirection?.z ?? 1;
  return z < 0 ? { ...line, points: line.points.map(([x, y]): Point => [-x, y]) } : line;
}

const colourOf = (value: number | undefined): string | undefined =>
  value === undefined ? undefined : byteHex([(value >> 16) & 255, (value >> 8) & 255, value & 255]);
