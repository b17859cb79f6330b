import { materialsOf } from '../materials/ownMaterials';
import type { Build, Piece } from '../model/schema';
import type { Material } from '../model/materialSchema';
import type { Plan } from '../schedule/answers/plan';
import type { RuleFinding } from './finding';
import { judgeBuild } from './judgeBuild';
import type { lookDifference } from './looksLike';
import { judgedAlone } from './tryIdea';

/** What an idea comes to on a piece alone: what stands against it, or what it changes where it holds. */
export interface Verdict {
  obstacle?: string;
  holds?: ReturnType<typeof lookDifference> & { newRisks: string[] };
}

/** What is known of one piece, and of every idea tried on it or on another like it, by its label. */
interface KnownPiece {
  before: RuleFinding[];
  verdicts: Map<string, Verdict>;
}

/**
 * What the search for ways out of several findings of one build need not work out twice: what the rules say of it, and what each
 * idea comes to on pieces that are alike in all but their names, dates and exact areas.
 */
export class WaysKnown {
  readonly materials: ReadonlyMap<string, Material>;
  private readonly before = new Map<string, RuleFinding[]>();
  private readonly verdicts = new Map<string, Map<string, Verdict>>();
  private judged: RuleFinding[] | undefined;

  constructor(
    private readonly build: Build,
    private readonly plan: Plan,
  ) {
    this.materials = materialsOf(build.materials);
  }

  /** What the rules say of the whole build. */
  get said(): readonly RuleFinding[] {
    return (this.judged ??= judgeBuild(this.build, this.plan));
  }

  /** What is known for a finding on a piece. */
  of(alone: Build, piece: Piece, finding: RuleFinding): KnownPiece {
    let before = this.before.get(piece.id);
    if (!before) {
      before = judgedAlone(alone, this.plan);
      this.before.set(piece.id, before);
    }
    const key = likeness(alone, piece, finding);
    let verdicts = this.verdicts.get(key);
    if (!verdicts) {
      verdicts = new Map();
      this.verdicts.set(key, verdicts);
    }
    return { before, verdicts };
  }
}

/** The same for findings whose ways out are the same. Pieces that are linked to others, or begun, are like none. */
function likeness(alone: Build, piece: Piece, finding: RuleFinding): string {
  const { rule, severity, step, zone, face, below } = finding;
  const isByItself =
    alone.pieces.length === 1 && (alone.log ?? []).length + (alone.underway ?? []).length === 0;
  const { id, name: _name, event: _event, note: _note, faces, ...rest } = piece;
  // Twice the area may be another matter for pot lives and evenings; a hand's breadth more is not.
  const sizes = [faces.outer.areaCm2, faces.inner?.areaCm2].map((area) =>
    area === undefined ? undefined : Math.round(Math.log2(area)),
  );
  return JSON.stringify([rule, severity, step, zone, face, below, isByItself ? [rest, sizes] : id]);
}
