import { parse as parseColour, formatHex } from 'culori';
import { parseDocument } from 'htmlparser2';
import svgpath from 'svgpath';
import { bezierPoints, ellipseRing } from '../shapes/curves';
import type { Point } from '../shapes/rings';
import { SheetFault, StrokeCounter, type Sheet, type SheetText } from '../shapes/sheet';
import { byKind, type RawStroke } from './rawStrokes';
import { innerFrame, pageOf, svgLength, type Viewport } from './svgFrame';
import { pathInStyle, rulesOf, styleOf, type StyleRule } from './svgStyle';

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
  /** What lengths in per cent are of. */
  viewport: Viewport;
}

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

/** All that is written in an element. */
const textOf = ({ data = '', children = [] }: Node): string => data + children.map(textOf).join('');

/** What is handed down into an inner frame. */
function framed(
  given: Inherited,
  attribs: Record<string, string>,
  over: Record<string, string> = {},
): Inherited {
  const { transform, viewport } = innerFrame(attribs, { ...given.viewport, fontSize: given.fontSize }, over);
  return { ...given, viewport, transforms: [transform, ...given.transforms] };
}

class SvgReader {
  private readonly raw: RawStroke[] = [];
  private readonly texts: SheetText[] = [];
  private readonly notes = new Set<string>();
  private readonly byId = new Map<string, Node>();
  private rules: StyleRule[] = [];
  private readonly counter = new StrokeCounter();
  private copies = 0;
  private tolerance = 0.02;

  constructor(private readonly root: Node) {}

  read(): Sheet {
    const { width, height, map, mmPerUnit, viewport } = pageOf(this.root.attribs ?? {});
    if (width > 0 && height > 0) this.tolerance = Math.max(width, height) * CLOSE_SHARE;
    const sheets: string[] = [];
    this.gather(this.root, 0, sheets);
    this.rules = rulesOf(sheets.join('\n'));
    const top: Inherited = {
      transforms: map ? [map] : [],
      stroke: undefined,
      fill: undefined,
      layer: undefined,
      fontSize: 16,
      anchor: 'start',
      viewport,
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

  /** What can be copied by its id, and the stylesheets. */
  private gather(node: Node, depth: number, sheets: string[]): void {
    if (depth > MOST_DEEP) throw new SheetFault('This file nests its groups deeper than can be followed.');
    const { id } = node.attribs ?? {};
    if (id !== undefined) this.byId.set(id, node);
    const tag = tagOf(node);
    if (tag === 'style') sheets.push(textOf(node));
    if (tag === 'script') this.notes.add('A script in the file was left alone: only its lines are read.');
    if (tag === 'image') this.notes.add('Pictures in the file are not read: only its lines are.');
    for (const child of node.children ?? []) if (child.type !== 'text') this.gather(child, depth + 1, sheets);
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
      } else if (tag === 'svg') this.walk(child, framed(own, attribs), depth + 1);
      else if (tag === 'use') this.copy({ ...attribs, ...style }, own, depth);
      else if (tag === 'text') this.say(child, own);
      else this.draw(tag, { ...attribs, ...style }, own);
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
    const { viewport } = given;
    const x = svgLength(attribs.x, viewport.width, given.fontSize) ?? 0;
    const y = svgLength(attribs.y, viewport.height, given.fontSize) ?? 0;
    const own = { ...given, transforms: [`translate(${x} ${y})`, ...given.transforms] };
    const tag = tagOf(target);
    // A symbol, or a drawing of its own, is as large as whoever copies it says.
    if (tag === 'symbol' || tag === 'svg')
      this.walk(target, framed(this.styled(target, own), target.attribs ?? {}, attribs), depth + 1);
    else this.walk({ type: 'tag', children: [target] }, own, depth + 1);
  }

  private styleOf(node: Node): Record<string, string> {
    return styleOf(this.rules, tagOf(node), node.attribs ?? {});
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
      fontSize:
        svgLength(style['font-size'] ?? attribs['font-size'], given.fontSize, given.fontSize) ??
        given.fontSize,
      anchor: style['text-anchor'] ?? attribs['text-anchor'] ?? given.anchor,
      viewport: given.viewport,
    };
  }

  private draw(
    tag: string,
    attribs: Record<string, string>,
    { transforms, stroke, fill, layer, viewport, fontSize }: Inherited,
  ): void {
    const colour = hex(stroke) ?? hex(fill ?? 'black');
    if (colour === undefined) return;
    const n = (key: string): number | undefined => svgLength(attribs[key], wholeOf(key, viewport), fontSize);
    const oval = ovalOf(tag, n);
    if (oval) {
      // A circle is followed more closely than four cubics would.
      const [centre, across, down] = oval;
      const map = mapOf(transforms);
      const [from, to] = [map([0, 0]), map([1, 0])];
      const scale = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
      const ring = ellipseRing(centre, across, down, this.tolerance / scale).map(map);
      this.add(ring, true, layer, colour);
      return;
    }
    const path = pathOf(tag, attribs, n);
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
      (svgLength(attribs.x ?? first?.x, given.viewport.width, given.fontSize) ?? 0) + shift,
      (svgLength(attribs.y ?? first?.y, given.viewport.height, given.fontSize) ?? 0) - given.fontSize * 0.3,
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

/** A colour that is drawn; undefined for none. */
function hex(said: string | undefined): string | undefined {
  if (said === undefined || said === 'none' || said === 'transparent') return undefined;
  const colour = parseColour(said);
  return colour ? formatHex(colour) : '#000000';
}

/** What a length in per cent is a share of: across, down, or for radii the diagonal (SVG 2, 8.9). */
const wholeOf = (key: string, { width, height }: Viewport): number =>
  /^(?:x\d?|width|cx|rx)$/.test(key)
    ? width
    : /^(?:y\d?|height|cy|ry)$/.test(key)
      ? height
      : Math.sqrt((width * width + height * height) / 2);

/** Reads a length of a shape by its name. */
type LengthOf = (key: string) => number | undefined;

/** A circle or ellipse: its centre, and half of it across and down. */
function ovalOf(tag: string, n: LengthOf): [Point, number, number] | undefined {
  if (tag !== 'circle' && tag !== 'ellipse') return undefined;
  const across = (tag === 'circle' ? n('r') : (n('rx') ?? n('ry'))) ?? 0;
  const down = (tag === 'circle' ? n('r') : (n('ry') ?? n('rx'))) ?? 0;
  return across > 0 && down > 0 ? [[n('cx') ?? 0, n('cy') ?? 0], across, down] : undefined;
}

/** A shape as path data; undefined for what is no line. */
function pathOf(tag: string, attribs: Record<string, string>, length: LengthOf): string | undefined {
  const n = (key: string) => length(key) ?? 0;
  switch (tag) {
    case 'path':
      return pathInStyle(attribs.d) ?? attribs.d;
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polyline':
    case 'polygon':
      return attribs.points?.trim() ? `M${attribs.points}${tag === 'polygon' ? 'Z' : ''}` : undefined;
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')];
      if (w <= 0 || h <= 0) return undefined;
      const rx = Math.min(w / 2, length('rx') ?? length('ry') ?? 0);
      const ry = Math.min(h / 2, length('ry') ?? rx);
      if (rx <= 0 || ry <= 0) return `M${x} ${y}h${w}v${h}h${-w}z`;
      const corner = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${x + rx} ${y}h${w - 2 * rx}${corner(rx, ry)}v${h - 2 * ry}${corner(-rx, ry)}h${2 * rx - w}${corner(-rx, -ry)}v${2 * ry - h}${corner(rx, -ry)}z`;
    }
    default:
      return undefined;
  }
}
