import { practice_piece } from '../generated/pieces.js';
import type { Problem } from '../solvers/contract';
import { problemsWith } from '../validation';
import { layOut, stepOf } from './hiddenMechanism';
import type { PieceFault, PracticePiece } from './piece.schema';

/**
 * What is wrong with a practice piece that somebody wrote: its form, and whether its instrument has what it names.
 *
 * @returns the problems, an empty list when there are none
 */
export function pieceProblems(data: unknown): Problem[] {
  const form = problemsWith(practice_piece, data);
  if (form.length > 0) return form;
  const piece = data as PracticePiece;
  const laid = layOut(piece);
  if (!laid) return [{ path: '/instrument', message: `“${piece.instrument}” is no instrument that ships` }];
  const { type, sound } = laid;
  const { mechanism } = sound;
  const wrong = (fault: PieceFault): string | null => {
    switch (fault.kind) {
      case 'adjuster':
        if (!type.links.some(({ id }) => id === fault.link)) return `there is no link “${fault.link}”`;
        if (stepOf(mechanism, fault.link) === 0) return `the link “${fault.link}” has nothing to turn`;
        return fault.steps === 0 ? 'an adjuster that is 0 steps away is right' : null;
      case 'pad':
        return mechanism.keyOfPad.has(fault.hole) ? null : `there is no pad on “${fault.hole}”`;
      case 'hinge':
        return type.keys.some(({ id }) => id === fault.key) ? null : `there is no key “${fault.key}”`;
      case 'twist':
        return mechanism.twist.some(({ key }) => key === fault.key)
          ? null
          : `“${fault.key}” has no neighbours on its rod that could twist it`;
    }
  };
  return piece.faults.flatMap((fault, i) => {
    const message = wrong(fault);
    return message === null ? [] : [{ path: `/faults/${i}`, message }];
  });
}
