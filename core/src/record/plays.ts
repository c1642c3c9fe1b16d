import { centsText, compassOf, fingeringWords, heardAs, heardWords } from '../sound';
import type { JobState } from '../job';

/** A whole list of a long compass tells nothing more. */
const mostNamed = 12;

/**
 * How an instrument plays, in lines: how many notes were played and how they came out, and which are far from their
 * names. Empty where nobody played it.
 *
 * @param far cents from its name from which a note is told
 */
export function plays({ instrument, played }: Pick<JobState, 'instrument' | 'played'>, far = 10): string[] {
  const compass = instrument ? compassOf(instrument) : [];
  const notes = compass.flatMap((fingering) => {
    const as = played.get(fingering.id);
    return as ? [{ ...as, name: fingeringWords(fingering) }] : [];
  });
  if (notes.length === 0) return [];
  const named = (some: readonly string[]) =>
    some.slice(0, mostNamed).join('; ') + (some.length > mostNamed ? `; and ${some.length - mostNamed} more` : '');
  const lines = heardAs.flatMap((heard) => {
    const these = notes.filter((note) => note.heard === heard);
    if (these.length === 0) return [];
    return heard === 'clear'
      ? [`clear: ${these.length} of ${notes.length}`]
      : [`${heardWords[heard]}: ${named(these.map(({ name }) => name))}`];
  });
  const off = notes.flatMap(({ name, cents = 0 }) => (Math.abs(cents) < far ? [] : [`${name} ${centsText(cents)}`]));
  return [
    `${notes.length} of ${compass.length} notes were played`,
    ...lines,
    ...(off.length > 0 ? [`cents from their names: ${named(off)}`] : []),
  ];
}
