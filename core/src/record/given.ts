import { bushWords } from '../bushing';
import type { JobState } from '../job';
import { chosenSums } from '../materials';
import { springSize } from '../springSet';
import { stockTitle } from '../stock';
import { joined, length, phrase, size, type Phrase } from '../units';

/**
 * What an instrument was given: pads and other parts as they were put in, corks as they turned out right, shims as they
 * lie, springs as they are set. Whoever opens it next need not guess.
 */
export function given(state: JobState, place: (part: string) => string): Phrase[] {
  const taken = [...state.chosen].flatMap(([key, each]) => (each.taken === null ? [] : [key]));
  return [
    ...chosenSums(state, taken).map(({ thing, count }) => phrase`${count} × ${stockTitle(thing)}`),
    ...[...state.corks.values()].flatMap(({ part, place: where, kind, final }) =>
      final === undefined ? [] : [phrase`${kind} of ${length(final)}: ${place(part)}, ${where}`],
    ),
    ...[...state.shims].flatMap(([part, { shims }]) =>
      shims.length === 0
        ? []
        : [
            phrase`shims under ${place(part)}: ${joined(
              shims.map(({ clock, thickness }) => phrase`${clock}° ${length(thickness)}`),
              ', ',
            )}`,
          ],
    ),
    ...[...state.bushes.values()].map((bush) => phrase`bush in ${place(bush.post)}: ${bushWords(bush)}`),
    ...[...state.springs.values()].map(
      ({ key, which, section, preset }) =>
        phrase`${which === 'helper' ? 'helper spring' : 'spring'} of ${place(key)}: ${size(springSize(section))}, bent ${length(preset)} at the catch`,
    ),
  ];
}
