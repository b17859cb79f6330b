import { bezierPoints } from '../shapes/curves';
import { after, placed, type Affine, type Point } from '../shapes/rings';
import { StrokeCounter, type Sheet, type SheetText } from '../shapes/sheet';
import { byteHex } from '../colour/byteHex';
import { byKind, type RawStroke } from './rawStrokes';

/** The names of a page's drawing commands with the numbers that stand for them. */
export type PdfCommands = Readonly<Record<string, number>>;

/** A page as the library that opens PDFs tells it. */
export interface PdfPage {
  /** Points, 72 to an inch, as it lies when it is looked at. */
  width: number;
  height: number;
  /** From its own frame to that, y down. */
  map: Affine;
  commands: readonly number[];
  values: readonly unknown[];
  texts: readonly { str: string; transform: readonly number[]; width: number }[];
  /** Names of layers by their id. */
  layers: Readonly<Record<string, string>>;
  /** Points of this page are so many times 1/72 inch. */
  userUnit?: number;
}

const MM_PER_POINT = 25.4 / 72;

/** The steps of a path, as they are told one after the other. */
const MOVE = 0;
const LINE = 1;
const CURVE = 2;
const QUADRATIC = 3;
const CLOSE = 4;

interface State {
  map: Affine;
  stroke: string;
  fill: string;
}

/**
 * The lines of the pages of a PDF, by layer or colour. What is only filled white is the paper, and what only clips is not drawn.
 * @param ops the numbers of the commands
 */
export function readPdfSheet(pages: readonly PdfPage[], ops: PdfCommands): Sheet {
  const raw: RawStroke[] = [];
  const counter = new StrokeCounter();
  const notes = new Set<string>();
  const texts = pages.map((page, at) => {
    readPage(page, at, ops, (stroke) => {
      counter.count(stroke.points.length);
      raw.push(stroke);
    });
    const pictures = [ops.paintImageXObject, ops.paintInlineImageXObject];
    if (page.commands.some((command) => pictures.includes(command)))
      notes.add('A picture on a page is not read: a scanned template is drawn round as a photo.');
    return page.texts.flatMap(({ str, transform, width }): SheetText[] => {
      const text = str.trim().slice(0, 200);
      if (text === '') return [];
      const [a = 1, b = 0, , d = 0, e = 0, f = 0] = transform;
      const long = Math.hypot(a, b) || 1;
      const [x, y] = placed([e + (a / long) * (width / 2), f + (b / long) * (width / 2) + d * 0.3], page.map);
      return [{ x, y, text }];
    });
  });
  const { strokes, kinds } = byKind(raw, pages.length);
  return {
    pages: pages.map(({ width, height }, at) => ({
      name: `Page ${at + 1}`,
      width,
      height,
      strokes: strokes[at] ?? [],
      texts: texts[at] ?? [],
    })),
    kinds,
    mmPerUnit: MM_PER_POINT * (pages[0]?.userUnit ?? 1),
    notes: [...notes],
  };
}

function readPage(page: PdfPage, at: number, ops: PdfCommands, add: (stroke: RawStroke) => void): void {
  const strokes = [
    ops.stroke,
    ops.closeStroke,
    ops.fillStroke,
    ops.eoFillStroke,
    ops.closeFillStroke,
    ops.closeEOFillStroke,
  ];
  const closes = [ops.closeStroke, ops.closeFillStroke, ops.closeEOFillStroke];
  const fills = [ops.fill, ops.eoFill];
  const saved: State[] = [];
  let state: State = { map: page.map, stroke: '#000000', fill: '#000000' };
  const marks: (string | undefined)[] = [];
  const layer = () => marks.findLast((mark) => mark !== undefined);
  page.commands.forEach((command, n) => {
    const values = page.values[n];
    const list: unknown[] = Array.isArray(values) ? values : [];
    switch (command) {
      case ops.save:
        saved.push(state);
        break;
      case ops.restore:
      case ops.paintFormXObjectEnd:
        state = saved.pop() ?? state;
        break;
      case ops.transform:
        state = { ...state, map: within(state.map, list) };
        break;
      case ops.paintFormXObjectBegin:
        saved.push(state);
        state = { ...state, map: within(state.map, list[0]) };
        break;
      case ops.setStrokeRGBColor:
        state = { ...state, stroke: colourOf(list) };
        break;
      case ops.setFillRGBColor:
        state = { ...state, fill: colourOf(list) };
        break;
      case ops.beginMarkedContent:
        marks.push(undefined);
        break;
      case ops.beginMarkedContentProps: {
        const [tag, props] = list as [unknown, { id?: unknown } | undefined];
        const id = tag === 'OC' ? props?.id : undefined;
        marks.push(typeof id === 'string' ? (page.layers[id] ?? id) : undefined);
        break;
      }
      case ops.endMarkedContent:
        marks.pop();
        break;
      case ops.constructPath: {
        const [paint, data] = list as [number, readonly (ArrayLike<number> | null)[] | undefined];
        const isStroke = strokes.includes(paint);
        if (!isStroke && !(fills.includes(paint) && state.fill !== '#ffffff')) break;
        const path = data?.[0];
        if (!path) break;
        const colour = isStroke ? state.stroke : state.fill;
        for (const { points, closed } of pathLines(path, state.map))
          add({
            page: at,
            points,
            // What is filled is closed whether it says so or not.
            closed: closed || !isStroke || closes.includes(paint),
            layer: layer(),
            colour,
          });
        break;
      }
      default:
    }
  });
}

/** A map inside another, as six numbers of whatever kind of list; the outer one where there are none. */
function within(outer: Affine, numbers: unknown): Affine {
  const list =
    Array.isArray(numbers) || ArrayBuffer.isView(numbers)
      ? [...(numbers as unknown as Iterable<number>)]
      : [];
  return list.length === 6 && list.every(Number.isFinite) ? after(outer, list as unknown as Affine) : outer;
}

function colourOf(list: readonly unknown[]): string {
  const [first, green, blue] = list;
  if (typeof first === 'string') return first;
  return byteHex([Number(first), Number(green), Number(blue)]);
}

const CLOSE_POINTS = 0.03;

/** The lines of one path. */
function pathLines(path: ArrayLike<number>, map: Affine): { points: Point[]; closed: boolean }[] {
  const lines: { points: Point[]; closed: boolean }[] = [];
  let points: Point[] = [];
  let start: Point | undefined;
  const finish = (closed: boolean) => {
    if (points.length > 1) lines.push({ points, closed });
    points = [];
  };
  let at = 0;
  const next = (): Point => {
    at += 2;
    return placed([path[at - 2]!, path[at - 1]!], map);
  };
  while (at < path.length) {
    const step = path[at]!;
    at += 1;
    if (step !== MOVE && points.length === 0 && start) points = [start];
    const last = points[points.length - 1] ?? [0, 0];
    if (step === MOVE) {
      finish(false);
      start = next();
      points = [start];
    } else if (step === LINE) points.push(next());
    else if (step === CURVE) points.push(...bezierPoints([last, next(), next(), next()], CLOSE_POINTS));
    else if (step === QUADRATIC) points.push(...bezierPoints([last, next(), next()], CLOSE_POINTS));
    else if (step === CLOSE) finish(true);
    else break;
  }
  finish(false);
  return lines;
}
