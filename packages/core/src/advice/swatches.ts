import type { Piece, Swatch } from '../model/schema';
import { sayDate } from '../model/sayMoment';
import type { Evidence, RuleFinding, Severity, SwatchDraft } from './finding';
import { flexingOf } from '../facts/bends';
import { meetingsOf } from './meetings';
import type { RuleContext } from './rule';
import { spotsOf, type Layer } from '../facts/spots';

/** Rules that an offcut can speak to. Those about air, time, heat, order and health are not for a swatch to settle. */
const testable = new Set([
  ...['R02', 'R03', 'R04', 'R05', 'R06', 'R09', 'R12', 'R13', 'R14', 'R15', 'R17', 'R18', 'R19', 'R21'],
  ...['R22', 'R23', 'R24', 'R25', 'R37', 'O05'],
]);

/** Rules about bending: only a swatch that was bent as tightly says anything. */
const aboutBending = new Set(['R05', 'R14', 'R15']);

/** A coat as it meets what is below it; `under` is undefined on bare substrate. */
interface Contact {
  over: Layer;
  under: Layer | undefined;
  cured: boolean;
  scuffed: boolean;
}

type Judged = Swatch & { result: 'good' | 'failed'; judgedOn: string };

/** The swatches that have been judged, newest first. */
const judgedOf = (swatches: readonly Swatch[]): Judged[] =>
  swatches
    .filter((swatch): swatch is Judged => swatch.result !== undefined && swatch.judgedOn !== undefined)
    .sort((a, b) => (a.judgedOn < b.judgedOn ? 1 : -1));

/**
 * Whether the swatch tested this: the same coat on the same thing in the same state. One that held shows that of every pair in it; one
 * that failed only tells of its last coat, as what was below it was there to be tested on.
 */
function shows(swatch: Judged, piece: Piece, { over, under, cured, scuffed }: Contact): boolean {
  if (swatch.substrate !== piece.substrate.kind) return false;
  // Several coats of one material are one film.
  const films = swatch.coats.filter((coat, n) => coat.material !== swatch.coats[n - 1]?.material);
  return films.some(
    (coat, n) =>
      (swatch.result === 'good' || n === films.length - 1) &&
      coat.material === over.material.id &&
      (coat.film ?? 'normal') === over.film &&
      films[n - 1]?.material === under?.material.id &&
      (under === undefined || ((coat.onCured ?? false) === cured && (coat.onScuffed ?? false) === scuffed)),
  );
}

const bentEnough = (swatch: Judged, piece: Piece): boolean => {
  const tightest = Math.min(...flexingOf(piece).map((spot) => spot.bendRadiusMm));
  return !Number.isFinite(tightest) || (swatch.bendRadiusMm ?? Infinity) <= tightest;
};

function contactsOf(piece: Piece, context: RuleContext): Contact[] {
  const first = spotsOf(piece, context).flatMap(({ layers }): Contact[] =>
    layers[0] ? [{ over: layers[0], under: undefined, cured: false, scuffed: false }] : [],
  );
  const meetings = meetingsOf(piece, context).map(({ over, under, cured, scuffed }) => ({
    over,
    under,
    cured,
    scuffed,
  }));
  return [...first, ...meetings];
}

/** The offcut that shows a contact in its state, bent as tightly as the piece where that matters. */
function draftOf(piece: Piece, { over, under, cured, scuffed }: Contact, bends: boolean): SwatchDraft {
  const radii = (piece.flex ?? []).map((spot) => spot.bendRadiusMm);
  return {
    substrate: piece.substrate.kind,
    coats: [
      ...(under ? [{ material: under.material.id, film: under.film }] : []),
      {
        material: over.material.id,
        film: over.film,
        ...(under && cured ? { onCured: true } : {}),
        ...(under && scuffed ? { onScuffed: true } : {}),
      },
    ],
    ...(bends && radii.length > 0 ? { bendRadiusMm: Math.min(...radii) } : {}),
  };
}

const raised: Record<Severity, Severity> = { note: 'risk', risk: 'stop', stop: 'stop' };
const evidenceOf = (swatch: Judged): Evidence => ({
  swatch: swatch.id,
  result: swatch.result,
  judgedOn: swatch.judgedOn,
  note: swatch.note ?? '',
});

/**
 * Findings of a piece weighed against the user's own swatches of the same pair in the same state. A good one makes a risk
 * a note; it never touches a stop. A failed one raises what the rules say, and speaks by itself (S01) where they are
 * silent. The newest swatch counts.
 */
export function weighSwatches(
  piece: Piece,
  findings: readonly RuleFinding[],
  context: RuleContext,
): RuleFinding[] {
  if (findings.length === 0 && (context.build.swatches ?? []).length === 0) return [];
  const swatches = judgedOf(context.build.swatches ?? []);
  const contacts = contactsOf(piece, context);
  const spoken = new Set<string>();
  const weighed = findings.map((finding): RuleFinding => {
    if (!testable.has(finding.rule)) return finding;
    const own = contacts.filter(
      ({ over, under }) =>
        over.step.id === finding.step &&
        // A finding that names a material below is about that pair only.
        (finding.below === undefined ||
          under === undefined ||
          finding.below === under.material.id ||
          !context.materials.has(finding.below)),
    );
    const swatch = swatches.find(
      (one) =>
        own.some((contact) => shows(one, piece, contact)) &&
        (one.result === 'failed' || !aboutBending.has(finding.rule) || bentEnough(one, piece)),
    );
    if (!swatch) {
      const [contact] = own;
      return finding.severity === 'risk' && contact
        ? { ...finding, test: draftOf(piece, contact, aboutBending.has(finding.rule)) }
        : finding;
    }
    spoken.add(`${swatch.id} ${finding.step}`);
    const evidence = evidenceOf(swatch);
    const when = sayDate(swatch.judgedOn);
    if (swatch.result === 'failed')
      return {
        ...finding,
        severity: raised[finding.severity],
        evidence,
        message: `${finding.message} Your swatch of ${when} failed too.`,
      };
    if (finding.severity !== 'risk') return finding;
    return {
      ...finding,
      severity: 'note',
      evidence,
      message: `${finding.message} Your swatch of ${when} held.`,
      ideas: [],
    };
  });
  const failures = contacts.flatMap((contact): RuleFinding[] => {
    const newest = swatches.find((one) => shows(one, piece, contact));
    if (newest?.result !== 'failed' || spoken.has(`${newest.id} ${contact.over.step.id}`)) return [];
    spoken.add(`${newest.id} ${contact.over.step.id}`);
    const { over, under } = contact;
    return [
      {
        rule: 'S01',
        severity: 'stop',
        piece: piece.id,
        step: over.step.id,
        ...(under ? { below: under.material.id } : {}),
        message: `Your swatch of ${sayDate(newest.judgedOn)} failed: ${over.material.name} on ${under?.material.name ?? 'bare foam'}${newest.note ? ` (${newest.note})` : ''}.`,
        reason: 'What happened on your own offcut, with your own tins, counts for more than what labels say.',
        ideas: [],
        evidence: evidenceOf(newest),
      },
    ];
  });
  return [...weighed, ...failures];
}
