import { parse as parseColour, formatHex } from 'culori';
import { parseDocument } from 'htmlparser2';
import svgpath from 'svgpath';
import { bezierPoints, ellipseRing } from '../shapes/curves';
import type { Point } from '../shapes/rings';
import { SheetFault, StrokeCounter, type Sheet, type SheetText } from '../shapes/sheet';
import { byKind, type RawStroke } from './rawStrokes';

/** What of the parser's tree is looked at. */
interface Node {
  type: string;
  name?: string;
  data?: string;
  attribs?: Record<string, string>;
  children?: Node[];
}

/** What is drawn in the same way, handed down from group to group. */
interface Inherited {
  /** From the innermost group outwards, as the library takes them. */
  transforms: readonly string[];
  stroke: string | undefined;
  fill: string | undefined;
  layer: string | undefined;
  fontSize: number;
  anchor: string;
}

const MM_PER: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  q: 0.25,
};
const notDrawn = new Set([
  'defs',
  'symbol',
  'clippath',
  'mask',
  'pattern',
  'marker',
  'metadata',
  'title',
  'desc',
  'style',
  'script',
  'foreignobject',
  'image',
  'lineargradient',
  'radialgradient',
  'filter',
]);
/** Deeper than any drawing program nests. */
const MOST_DEEP = 100;
const MOST_COPIES = 5_000;
/** Curves are followed this closely, in units of the file; what it is in mm comes later, and is finer still. */
const CLOSE_SHARE = 1 / 40_000;

/**
 * The lines of an SVG file: paths and shapes with their transforms, by layer or colour, with words beside them. Nothing in it is run and
 * nothing fetched; pictures in it are left out, and it is told.
 * @throws SheetFault for what is no SVG, or far too large
 */
export function readSvgSheet(text: string): Sheet {
  const root = find(parseDocument(text, { xmlMode: true, decodeEntities: true }), 'svg');
  if (!root) throw new SheetFault('There is no drawing in this file: an SVG begins with <svg>.');
  return new SvgReader(root).read();
}

const tagOf = ({ name = '' }: Node): string => name.replace(/^.*:/, '').toLowerCase();

function find(node: Node, tag: string, depth = 0): Node | undefined {
  if (node.type === 'tag' && tagOf(node) === tag) return node;
  if (depth > MOST_DEEP) return undefined;
  for (const child of node.children ?? []) {
    const found = find(child, tag, depth + 1);
    if (found) return found;
  }
  return undefined;
}

const numberOf = (text: string | undefined, otherwise = 0): number => {
  const value = Number.parseFloat(text ?? '');
  return Number.isFinite(value) ? value : otherwise;
};

class SvgReader {
  private readonly raw: RawStroke[] = [];
  private readonly texts: SheetText[] = [];
  private readonly notes = new Set<string>();
  private readonly byId = new Map<string, Node>();
  private readonly classes = new Map<string, Record<string, string>>();
  private readonly counter = new StrokeCounter();
  private copies = 0;
  private tolerance = 0.02;

  constructor(private readonly root: Node) {}

  read(): Sheet {
    const { width, height, map, mmPerUnit } = this.frame();
    if (width > 0 && height > 0) this.tolerance = Math.max(width, height) * CLOSE_SHARE;
    this.gather(this.root, 0);
    const top: Inherited = {
      transforms: map ? [map] : [],
      stroke: undefined,
      fill: undefined,
      layer: undefined,
      fontSize: 16,
      anchor: 'start',
    };
    this.walk(this.root, this.styled(this.root, top), 0);
    const { strokes, kinds } = byKind(this.raw, 1);
    return {
      pages: [{ name: 'Drawing', width, height, strokes: strokes[0] ?? [], texts: this.texts }],
      kinds,
      mmPerUnit,
      notes: [...this.notes],
    };
  }

  /** The size of the page in its own units, and what one unit is. */
  private frame(): { width: number; height: number; map: string | undefined; mmPerUnit: number | undefined } {
    const { width: wide, height: high, viewBox, viewbox } = this.root.attribs ?? {};
    const box = (viewBox ?? viewbox)
      ?.trim()
      .split(/[\s,]+/)
      .map(Number);
    const isBox = box?.length === 4 && box.every(Number.isFinite) && box[2]! > 0 && box[3]! > 0;
    const [x, y, width, height] = isBox ? (box as [number, number, number, number]) : [0, 0, 0, 0];
    const read = (said: string | undefined, units: number) => {
      const found = /^\s*([\d.+\-e]+)\s*(mm|cm|in|pt|pc|q)\s*$/i.exec(said ?? '');
      const mm = found && Number(found[1]) * MM_PER[found[2]!.toLowerCase()]!;
      return mm && mm > 0 ? mm / (units || Number(found[1])) : undefined;
    };
    const mmPerUnit = read(wide, width) ?? read(high, height);
    // Without a box units are pixels, of which 96 are an inch: what says its size in mm means those.
    const perPixel = mmPerUnit !== undefined && !isBox ? 25.4 / 96 : mmPerUnit;
    return {
      width: width || numberOf(wide) * (isBox || mmPerUnit === undefined ? 1 : mmPerUnit / (25.4 / 96)),
      height: height || numberOf(high) * (isBox || mmPerUnit === undefined ? 1 : mmPerUnit / (25.4 / 96)),
      map: x !== 0 || y !== 0 ? `translate(${-x} ${-y})` : undefined,
      mmPerUnit: perPixel,
    };
  }

  /** What can be copied by its id, and what classes look like. */
  private gather(node: Node, depth: number): void {
    if (depth > MOST_DEEP) throw new SheetFault('This file nests its groups deeper than can be followed.');
    const { id } = node.attribs ?? {};
    if (id !== undefined) this.byId.set(id, node);
    const tag = tagOf(node);
    if (tag === 'style') {
      const text = (node.children ?? []).map(({ data = '' }) => data).join('');
      for (const [, selectors = '', body = ''] of text.slice(0, 200_000).matchAll(/([^{}]+)\{([^{}]*)\}/g))
        for (const selector of selectors.split(',')) {
          const name = /^\s*\.([\w-]+)\s*$/.exec(selector)?.[1];
          if (name) this.classes.set(name, { ...this.classes.get(name), ...declarations(body) });
        }
    }
    if (tag === 'script') this.notes.add('A script in the file was left alone: only its lines are read.');
    if (tag === 'image') this.notes.add('Pictures in the file are not read: only its lines are.');
    for (const child of node.children ?? []) if (child.type !== 'text') this.gather(child, depth + 1);
  }

  private walk(node: Node, given: Inherited, depth: number): void {
    if (depth > MOST_DEEP) throw new SheetFault('This file nests its groups deeper than can be followed.');
    for (const child of node.children ?? []) {
      if (child.type !== 'tag') continue;
      const tag = tagOf(child);
      if (notDrawn.has(tag)) continue;
      const attribs = child.attribs ?? {};
      const style = this.styleOf(child);
      const shown = (key: string) => style[key] ?? attribs[key];
      if (shown('display') === 'none' || shown('visibility') === 'hidden') continue;
      const own = this.styled(child, given);
      if (tag === 'g' || tag === 'a' || tag === 'switch') {
        const label = attribs['inkscape:label'] ?? (depth === 0 ? attribs.id : undefined);
        this.walk(child, label === undefined ? own : { ...own, layer: label }, depth + 1);
      } else if (tag === 'svg') {
        const moved = `translate(${numberOf(attribs.x)} ${numberOf(attribs.y)})`;
        this.walk(child, { ...own, transforms: [moved, ...own.transforms] }, depth + 1);
      } else if (tag === 'use') this.copy(attribs, own, depth);
      else if (tag === 'text') this.say(child, own);
      else this.draw(tag, attribs, own);
    }
  }

  private copy(attribs: Record<string, string>, given: Inherited, depth: number): void {
    this.copies += 1;
    if (this.copies > MOST_COPIES)
      throw new SheetFault('This file copies its parts more often than can be followed.');
    const name = attribs.href ?? attribs['xlink:href'] ?? '';
    const target = name.startsWith('#') ? this.byId.get(name.slice(1)) : undefined;
    if (!target) {
      this.notes.add('A part of the drawing stands in another file, and is not fetched.');
      return;
    }
    const moved = `translate(${numberOf(attribs.x)} ${numberOf(attribs.y)})`;
    const own = { ...given, transforms: [moved, ...given.transforms] };
    const isGroup = tagOf(target) === 'symbol';
    this.walk(isGroup ? target : { type: 'tag', children: [target] }, own, depth + 1);
  }

  private styleOf({ attribs = {} }: Node): Record<string, string> {
    const style: Record<string, string> = {};
    for (const name of (attribs.class ?? '').split(/\s+/)) Object.assign(style, this.classes.get(name));
    return Object.assign(style, declarations(attribs.style ?? ''));
  }

  private styled(node: Node, given: Inherited): Inherited {
    const attribs = node.attribs ?? {};
    const style = this.styleOf(node);
    const { transform } = attribs;
    return {
      transforms: transform ? [transform, ...given.transforms] : given.transforms,
      stroke: style.stroke ?? attribs.stroke ?? given.stroke,
      fill: style.fill ?? attribs.fill ?? given.fill,
      layer: given.layer,
      fontSize: numberOf(style['font-size'] ?? attribs['font-size'], given.fontSize),
      anchor: style['text-anchor'] ?? attribs['text-anchor'] ?? given.anchor,
    };
  }

  private draw(
    tag: string,
    attribs: Record<string, string>,
    { transforms, stroke, fill, layer }: Inherited,
  ): void {
    const colour = hex(stroke) ?? hex(fill ?? 'black');
    if (colour === undefined) return;
    const oval = ovalOf(tag, attribs);
    if (oval) {
      // A circle is followed more closely than four cubics would.
      const [centre, across, down] = oval;
      const map = mapOf(transforms);
      const ring = ellipseRing(centre, across, down, this.tolerance).map(map);
      this.add(ring, true, layer, colour);
      return;
    }
    const path = pathOf(tag, attribs);
    if (path === undefined) return;
    const read = svgpath(path);
    const fault = (read as unknown as { err?: string }).err;
    if (fault) this.notes.add('A line in the file is damaged, and is read as far as it goes.');
    const moved = transforms.reduce((line, transform) => line.transform(transform), read);
    let points: Point[] = [];
    const finish = (closed: boolean) => {
      if (points.length > 1) this.add(points, closed, layer, colour);
      points = [];
    };
    moved
      .abs()
      .unshort()
      .unarc()
      .iterate((segment, _at, x, y) => {
        const [letter, ...numbers] = segment as [string, ...number[]];
        if (numbers.some((value) => !Number.isFinite(value))) return;
        const at = (n: number): Point => [numbers[n]!, numbers[n + 1]!];
        if (letter !== 'M' && points.length === 0) points = [[x, y]];
        switch (letter) {
          case 'M':
            finish(false);
            points = [at(0)];
            break;
          case 'L':
            points.push(at(0));
            break;
          case 'H':
            points.push([numbers[0]!, y]);
            break;
          case 'V':
            points.push([x, numbers[0]!]);
            break;
          case 'C':
            points.push(...bezierPoints([[x, y], at(0), at(2), at(4)], this.tolerance));
            break;
          case 'Q':
            points.push(...bezierPoints([[x, y], at(0), at(2)], this.tolerance));
            break;
          default:
            finish(true);
        }
      });
    finish(false);
  }

  private add(points: Point[], closed: boolean, layer: string | undefined, colour: string): void {
    this.counter.count(points.length);
    this.raw.push({ page: 0, points, closed, layer, colour });
  }

  private say(node: Node, given: Inherited): void {
    const attribs = node.attribs ?? {};
    const text = wordsOf(node).replace(/\s+/g, ' ').trim().slice(0, 200);
    if (text === '' || this.texts.length > 5_000) return;
    const first = (node.children ?? []).find((child) => child.attribs?.x !== undefined)?.attribs;
    const long = text.length * given.fontSize * 0.5;
    const shift = given.anchor === 'middle' ? 0 : given.anchor === 'end' ? -long / 2 : long / 2;
    const place: Point = [
      numberOf(attribs.x ?? first?.x) + shift,
      numberOf(attribs.y ?? first?.y) - given.fontSize * 0.3,
    ];
    const [x, y] = mapOf(given.transforms)(place);
    this.texts.push({ x, y, text });
  }
}

const wordsOf = (node: Node): string =>
  node.type === 'text' ? (node.data ?? '') : (node.children ?? []).map(wordsOf).join(' ');

/** A point under some transforms, the innermost first. */
function mapOf(transforms: readonly string[]): (point: Point) => Point {
  const at = (x: number, y: number): Point => {
    let place: Point = [x, y];
    transforms
      .reduce((line, transform) => line.transform(transform), svgpath(`M${x} ${y}`))
      .abs()
      .iterate((segment) => {
        place = [segment[1] as number, segment[2] as number];
      });
    return place;
  };
  const [ex, ey] = at(0, 0);
  const [ax, ay] = at(1, 0);
  const [cx, cy] = at(0, 1);
  return ([x, y]) => [ex + (ax - ex) * x + (cx - ex) * y, ey + (ay - ey) * x + (cy - ey) * y];
}

/** `key: value` pairs of a style. */
const declarations = (text: string): Record<string, string> =>
  Object.fromEntries(
    text.split(';').flatMap((pair) => {
      const [key = '', value = ''] = pair.split(':');
      return key.trim() === '' ? [] : [[key.trim().toLowerCase(), value.trim()]];
    }),
  );

/** A colour that is drawn; undefined for none. */
function hex(said: string | undefined): string | undefined {
  if (said === undefined || said === 'none' || said === 'transparent') return undefined;
  const colour = parseColour(said);
  return colour ? formatHex(colour) : '#000000';
}

/** A circle or ellipse: its centre, and half of it across and down. */
function ovalOf(tag: string, attribs: Record<string, string>): [Point, number, number] | undefined {
  if (tag !== 'circle' && tag !== 'ellipse') return undefined;
  const across = numberOf(tag === 'circle' ? attribs.r : attribs.rx);
  const down = numberOf(tag === 'circle' ? attribs.r : attribs.ry);
  return across > 0 && down > 0 ? [[numberOf(attribs.cx), numberOf(attribs.cy)], across, down] : undefined;
}

/** A shape as path data; undefined for what is no line. */
function pathOf(tag: string, attribs: Record<string, string>): string | undefined {
  const n = (key: string) => numberOf(attribs[key]);
  switch (tag) {
    case 'path':
      return attribs.d;
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polyline':
    case 'polygon':
      return attribs.points?.trim() ? `M${attribs.points}${tag === 'polygon' ? 'Z' : ''}` : undefined;
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')];
      if (w <= 0 || h <= 0) return undefined;
      const rx = Math.min(w / 2, numberOf(attribs.rx, numberOf(attribs.ry)));
      const ry = Math.min(h / 2, numberOf(attribs.ry, rx));
      if (rx <= 0 || ry <= 0) return `M${x} ${y}h${w}v${h}h${-w}z`;
      const corner = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${x + rx} ${y}h${w - 2 * rx}${corner(rx, ry)}v${h - 2 * ry}${corner(-rx, ry)}h${2 * rx - w}${corner(-rx, -ry)}v${2 * ry - h}${corner(rx, -ry)}z`;
    }
    default:
      return undefined;
  }
}
