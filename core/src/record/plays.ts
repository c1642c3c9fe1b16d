import { fingeringWords } from '../instruments';
import { notePitch } from '../measures';
import { centsText, compassOf, heardAs, heardWords, isGood, playSheet, resultWords } from '../sound';
import type { JobState } from '../job';

/** A whole list of a long compass tells nothing more. */
const mostNamed = 12;

/**
 * How an instrument plays, in lines: how many notes were played and how they came out, and which are far from their
 * names. Empty where nobody played it.
 *
 * @param far cents from its name from which a note is told
 */
export function plays(state: JobState, far = 10): string[] {
  const { instrument, played, tested } = state;
  const compass = instrument ? compassOf(instrument) : [];
  const notes = compass.flatMap((fingering) => {
    const as = played.get(fingering.id);
    return as && !as.stale ? [{ ...as, name: fingeringWords(fingering) }] : [];
  });
  const named = (some: readonly string[]) =>
    some.slice(0, mostNamed).join('; ') + (some.length > mostNamed ? `; and ${some.length - mostNamed} more` : '');
  const lines = heardAs.flatMap((heard) => {
    const these = notes.filter((note) => note.heard === heard);
    if (these.length === 0) return [];
    return heard === 'clear'
      ? [`clear: ${these.length} of ${notes.length}`]
      : [`${heardWords[heard]}: ${named(these.map(({ name }) => name))}`];
  });
  const off = compass.flatMap((fingering) => {
    const { mean } = notePitch(state, fingering.id);
    return mean === null || Math.abs(mean) < far ? [] : [`${fingeringWords(fingering)} ${centsText(Math.round(mean))}`];
  });
  const sheet = instrument ? playSheet(instrument) : [];
  const gone = sheet.flatMap((line) => {
    const done = tested.get(line.id);
    return done && !done.stale ? [{ ...line, result: done.result }] : [];
  });
  const failed = gone.filter(({ result }) => !isGood(result));
  const test =
    gone.length === 0
      ? []
      : [
          `play test: ${gone.length} of ${sheet.length} lines gone through${failed.length === 0 ? ', all good' : ''}`,
          ...failed.map(({ play, result }) => `${play}: ${resultWords[result]}`),
        ];
  if (notes.length + off.length + test.length === 0 && played.size + tested.size > 0)
    return ['it was played before the last work on it, and not since'];
  return [
    ...(notes.length > 0 ? [`${notes.length} of ${compass.length} notes were played`, ...lines] : []),
    ...test,
    ...(off.length > 0 ? [`cents from their names: ${named(off)}`] : []),
  ];
}
