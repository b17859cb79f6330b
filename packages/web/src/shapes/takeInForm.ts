import {
  REST_NAME,
  writeSteps,
  type Build,
  type Look,
  type Piece,
  type SubstrateKind,
  type TakenAs,
} from '@fixatum/core';

/** What is filled in when pieces are taken in. */
export interface TakeInForm {
  kind: SubstrateKind;
  thicknessMm: number | undefined;
  event: string;
  inner: boolean;
  /** The look of each zone, by its name; empty for none yet. */
  looks: Record<string, string>;
}

export const freshTakeIn = (firstEvent = ''): TakeInForm => ({
  kind: 'eva-foam',
  thicknessMm: 6,
  event: firstEvent,
  inner: true,
  looks: {},
});

/** The form as the core takes it; undefined while the thickness is missing. */
export const takenAs = ({ kind, thicknessMm, event, inner }: TakeInForm): TakenAs | undefined =>
  thicknessMm !== undefined && thicknessMm > 0
    ? { kind, thicknessMm, inner, ...(event ? { event } : {}) }
    : undefined;

/** What a zone is asked a look for by: its name; a piece without zones is all of the main one. */
export const zoneNamesOf = (pieces: readonly Piece[]): string[] => [
  ...new Set(pieces.flatMap(({ zones }) => zones?.map(({ name }) => name) ?? [REST_NAME])),
];

/** A piece with the steps of the looks that are chosen for its zones. */
export function withLooks(
  build: Build,
  piece: Piece,
  looks: Readonly<Record<string, string>>,
  byId: (id: string) => Look | undefined,
): Piece {
  const picks = (piece.zones ?? [undefined]).flatMap((zone) => {
    const look = byId(looks[zone?.name ?? REST_NAME] ?? '');
    return look ? [{ ...(zone ? { zone: zone.id } : {}), look }] : [];
  });
  return picks.length === 0 ? piece : { ...piece, steps: writeSteps(build, piece, { looks: picks }).steps };
}
