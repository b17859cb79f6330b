import {
  deadlineWords,
  filmWords,
  materialRoles,
  methodWords,
  passDetails,
  workWord,
  type Build,
  type LogEdit,
  type Piece,
  type PlannedOperation,
  type Readiness,
  type RibbonState,
  type Session,
  type Severity,
  type Step,
  sayDate,
  sayMoment,
  sayWallTime,
  sayC,
} from '@fixatum/core';

/** What a piece's standing is called. */
export const readinessWords: Record<Readiness, string> = {
  ready: 'ready',
  'on-time': 'in time',
  tight: 'tight',
  late: 'late',
  stuck: 'stuck',
  undated: 'no date',
  'no-steps': 'no steps yet',
};

/** "Packed Fri 5 Mar, 18:00; what is left of it is not planned". @param operations those of the plan */
export function packedWords(piece: Piece, operations: readonly PlannedOperation[]): string {
  const { id, packedAt, steps } = piece;
  if (packedAt === undefined) return '';
  const ended = new Set(steps.flatMap((step) => (step.ended ? [step.id] : [])));
  const isLeft = operations.some(
    ({ pieceId, status, stepId, looksOver }) =>
      pieceId === id && status === 'skipped' && !ended.has(stepId) && looksOver !== 'packing',
  );
  const day = `Packed ${sayDate(packedAt.slice(0, 10))}, ${sayWallTime(packedAt.slice(11, 16))}`;
  return isLeft ? `${day}; what is left of it is not planned` : day;
}

/** How grave a finding is, in shape and word. */
export const severityMarks: Record<Severity, string> = { stop: '■ Stop', risk: '▲ Risk', note: '● Note' };

/** When a piece reaches something, as planned: a moment, or why there is none. */
export const reachedWords = (
  { readiness }: { readiness: Readiness },
  minute: number | undefined,
  timeZone: string,
): string =>
  readiness === 'no-steps'
    ? 'once it has steps'
    : minute === undefined || !Number.isFinite(minute)
      ? 'never as planned'
      : sayMoment(minute, timeZone);

export const ribbonWords: Record<RibbonState, string> = {
  bare: 'bare',
  wet: 'wet',
  'touch-dry': 'touch-dry',
  recoatable: 'recoatable',
  handleable: 'handleable',
  cured: 'cured',
  ready: 'ready',
};

/** When a session has to begin, and for what; undefined where nothing hangs on it. */
export const beginByWords = (build: Build, session: Session | undefined): string | undefined =>
  session?.beginBy && deadlineWords(build, session.beginBy);

/** Air in words, as exact as it is worth saying: "18.4 °C, 56 %". */
export const airWords = (air: { temperatureC: number; humidityPct: number }): string =>
  `${sayC(air.temperatureC)}, ${Math.round(air.humidityPct)} %`;

/** What a pass is called: "Seal, coat 2 of 3, inner face". */
export function passWords(operation: PlannedOperation): string {
  const parts = [workWord(operation)];
  if (operation.coats > 1) parts.push(`coat ${operation.coat} of ${operation.coats}`);
  if (operation.face === 'inner') parts.push('inner face');
  return parts.join(', ');
}

/** The kinds of some steps, each once, in words: "Fill, sand, seal". */
export function workWordsOf(steps: readonly Step[]): string {
  const [first = '', ...rest] = [...new Set(steps.map(workWord))];
  return [first, ...rest.map((word) => word.toLowerCase())].join(', ');
}

/** What to do it with: "Rubber dip spray, light coat, spray can". */
export function withWords(operation: PlannedOperation): string {
  if (!operation.material) return methodWords[operation.method];
  return `${operation.material.name}, ${filmWords[operation.film]}, ${methodWords[operation.method]}`;
}

/** The step that a pass belongs to. */
export const stepOf = (build: Build | undefined, operation: PlannedOperation): Step | undefined =>
  build?.pieces
    .find((piece) => piece.id === operation.pieceId)
    ?.steps.find((step) => step.id === operation.stepId);

/** What hands have to know besides: "into the recesses · 1:6 paint:water · a fan on it"; empty where there is nothing. */
export function detailWords(build: Build | undefined, operation: PlannedOperation): string {
  const step = stepOf(build, operation);
  return step ? passDetails(step, operation.material, operation.method).join(' · ') : '';
}

/** The name of a piece, or its id when it is not there. */
export const pieceName = (build: Build | undefined, pieceId: string): string =>
  build?.pieces.find((piece) => piece.id === pieceId)?.name ?? pieceId;

/** "Meridian pauldron, 2 of 4", or just the name. */
export function unitName(build: Build | undefined, pieceId: string, unit: number): string {
  const piece = build?.pieces.find((candidate) => candidate.id === pieceId);
  if (!piece) return pieceId;
  return piece.quantity > 1 ? `${piece.name}, ${unit} of ${piece.quantity}` : piece.name;
}

/** The zones a pass works on, by name; empty for the whole piece. */
export function zoneNames(build: Build | undefined, operation: PlannedOperation): string {
  const piece = build?.pieces.find((candidate) => candidate.id === operation.pieceId);
  const step = piece?.steps.find((candidate) => candidate.id === operation.stepId);
  const zones = piece?.zones;
  if (!zones || !step?.zones) return '';
  return step.zones.map((id) => zones.find((zone) => zone.id === id)?.name ?? id).join(', ');
}

/** The pieces some passes are about, sets with how many: "Comet tasset ×4, Orbit gorget". */
export function pieceNames(build: Build | undefined, operations: readonly PlannedOperation[]): string {
  const units = new Map<string, Set<number>>();
  for (const operation of operations) {
    const known = units.get(operation.pieceId) ?? new Set<number>();
    units.set(operation.pieceId, known.add(operation.unit));
  }
  return [...units]
    .map(([pieceId, numbers]) => {
      const piece = build?.pieces.find((candidate) => candidate.id === pieceId);
      return `${piece?.name ?? pieceId}${(piece?.quantity ?? 1) > 1 ? ` ×${numbers.size}` : ''}`;
    })
    .join(', ');
}

/** What materials are for. */
export const roleWords: Record<(typeof materialRoles)[number], string> = {
  seal: 'Sealers',
  fill: 'Fillers',
  bond: 'Glues',
  prime: 'Primers',
  paint: 'Paints',
  texture: 'Textures',
  weather: 'Weathering',
  detail: 'Markers',
  topcoat: 'Clears',
};

const editKindWords: Record<LogEdit['kind'], string> = {
  log: 'Log',
  start: 'Start',
  pause: 'Pause or go on',
  stop: 'Give up what was begun',
  touch: 'Touch test',
  timer: 'Timer',
  stopTimer: 'Stop a timer',
};

/** What was pressed, in words: "Log Seal, coat 2 of 3: Orbit gorget". */
export function editWords(build: Build | undefined, edit: LogEdit): string {
  const word = editKindWords[edit.kind];
  if (edit.kind === 'timer') return `${word}, ${edit.timers.map((timer) => timer.label).join(', ')}`;
  const spots = edit.kind === 'log' ? edit.entries : edit.kind === 'start' ? edit.passes : [];
  const named = edit.kind === 'touch' ? edit.tests : spots;
  if (named.length === 0) return word;
  const names = [...new Set(named.map(({ piece }) => pieceName(build, piece)))].join(', ');
  const [first] = spots;
  const step = build?.pieces
    .find((piece) => piece.id === first?.piece)
    ?.steps.find((one) => one.id === first?.step);
  const coats = step?.coats ?? 1;
  const coat = first && coats > 1 ? `, coat ${first.coat} of ${coats}` : '';
  return step ? `${word} ${workWord(step)}${coat}: ${names}` : `${word}: ${names}`;
}
