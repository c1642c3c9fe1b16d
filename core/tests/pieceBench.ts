import {
  isPair,
  layOut,
  linkWalk,
  newPiece,
  regulationOf,
  regulationQuestions,
  seenAt,
  solveRegulate,
  rulesAt,
  usualSizes,
  type LaidOut,
  type PieceLook,
  type PieceSeen,
  type PracticePiece,
  type RuleNow,
} from '../src';
import { hiddenMechanism } from '../src/practicePieces/hiddenMechanism';
import { TestJob } from './testJob';

/** A piece laid out: by what it is made from, or as it was written. */
export function laidOut(of: PracticePiece | Parameters<typeof newPiece>[0]): LaidOut {
  const laid = layOut('faults' in of ? of : newPiece(of));
  if (!laid) throw new Error(`no instrument “${of.instrument}” ships`);
  return laid;
}

/** Somebody at a piece: what is looked at, turned and said is written down as a job. */
export class PieceBench {
  readonly job: TestJob;

  constructor(readonly laid: LaidOut) {
    const { piece, type } = laid;
    this.job = new TestJob({ instrumentType: type.id, family: type.family, practice: piece.practice });
  }

  look(look: PieceLook): PieceSeen {
    const seen = seenAt(this.laid, this.job.state, look);
    if ('tick' in seen) this.job.write('tick', seen.tick);
    else {
      const { link: part, lateness, held } = seen;
      const point = { group: 'link', part, measure: 'lateness', clock: 0, ...(held && { held }) } as const;
      this.job.read(point as never, lateness, 'feeler-film');
    }
    return seen;
  }

  /** Every pair of pads of the round: pulled at with the thinnest usual film, and read where that leaves open how far. */
  walk(): void {
    const { type } = this.laid;
    const pairs = new Set(type.links.filter((link) => isPair(type, link)).map(({ id }) => id));
    for (const stop of linkWalk(type).filter(({ link }) => pairs.has(link))) {
      const seen = this.look({ at: 'link', ...stop, by: 'film', film: 0.02 });
      if ('tick' in seen && seen.tick.says !== 'evenly-tight') this.look({ at: 'link', ...stop, by: 'feeler' });
    }
  }

  /** How the rules stand by what is really there. */
  rules(): RuleNow[] {
    const { piece, sound } = this.laid;
    return rulesAt(sound, hiddenMechanism(sound.mechanism, piece.faults, this.job.state.adjustments));
  }

  /** Turns what the solver says, by what was seen. @returns how many adjusters */
  turn(): number {
    const now = regulationOf(this.job.state, this.laid.type, usualSizes.films);
    const moves = regulationQuestions(now).flatMap((asked) => solveRegulate(asked).moves);
    for (const { link, steps, deltaGap } of moves) this.set(link, steps, deltaGap);
    return moves.length;
  }

  set(link: string, steps: number, change = 0): void {
    this.job.write('adjustment', { link, steps, change });
  }

  /** Says what is wrong. */
  say(kind: string, part: string): void {
    const finding = `00000000-0000-4000-9000-${String(this.job.entries.length).padStart(12, '0')}`;
    this.job.write('finding', { finding, kind, part, severity: 2, status: 'confirmed' });
  }
}
