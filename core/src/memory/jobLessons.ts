import { partNames, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { learnedReturn, learnedSteps, straightenPasses, tenonZones, turnPasses } from '../measures';
import { learn, type Learned } from '../metrology';
import { cutsMade } from '../sound';
import { length, phrase, stock, type Phrase } from '../units';
import type { MeasureGroup } from '../vocabulary';

/** Something a job has learned of its own instrument: true of this metal and no other. */
export interface JobLesson {
  group: MeasureGroup;
  part: string;
  place: string;
  /** what was learned, such as how much of a bend springs back */
  what: Phrase;
  /** from how many passes */
  seen: number;
  /** when the first of them was made, ISO 8601 */
  since: string;
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const share = ({ value, spread }: Learned): string =>
  spread === null ? percent(value) : `${percent(value)} ± ${percent(spread)}`;
const zoneWords = { shoulder: 'shoulder', middle: 'middle', leading: 'leading end' } as const;

const known = (told: readonly { returned: number | null; aside: string | null }[]) =>
  told.flatMap(({ returned, aside }) => (returned === null ? [] : [{ returned, aside }]));

/** All that the passes of a job have taught: spring-back, what a pass of a tool does, cents for a cut. */
export function jobLessons(state: JobState, type: InstrumentType): JobLesson[] {
  const names = partNames(type);
  const teaching = state.passes.filter(({ aside }) => aside === null);
  const parts = [...new Set(teaching.map(({ group, part }) => `${group} ${part}`))];
  return parts.flatMap((each): JobLesson[] => {
    const [group, part] = each.split(' ') as [MeasureGroup, string];
    const own = teaching.filter((pass) => pass.group === group && pass.part === part);
    const since = own.map(({ benchTime }) => benchTime).sort()[0] ?? '';
    const lesson = (what: Phrase, seen: number): JobLesson => ({
      ...{ group, part, place: names.get(part) ?? part },
      ...{ what, seen, since },
    });
    if (group === 'body-line') {
      const bent = learnedReturn(straightenPasses(state, part));
      const turned = learnedReturn(known(turnPasses(state, type, part)));
      return [
        ...(bent ? [lesson(phrase`Of a bend ${share(bent)} springs back`, bent.seen)] : []),
        ...(turned ? [lesson(phrase`Of a turn ${share(turned)} comes back`, turned.seen)] : []),
      ];
    }
    if (group === 'joint')
      return (['expand', 'shrink'] as const).flatMap((kind) => {
        const steps = learnedSteps(state, part, kind);
        return tenonZones.flatMap((zone) => {
          const step = steps[zone];
          const tool = kind === 'expand' ? 'expander' : 'collet';
          return step
            ? [
                lesson(
                  phrase`One ${steps.per} of the ${tool} does ${length(step.value, step.spread)} at the ${zoneWords[zone]}`,
                  step.seen,
                ),
              ]
            : [];
        });
      });
    const cut = learn(
      cutsMade(state, type, part).flatMap(({ perTenth, aside }) =>
        perTenth === null || aside !== null ? [] : [perTenth],
      ),
    );
    if (!cut) return [];
    const by = cut.spread === null ? '' : ` ± ${cut.spread.toFixed(1)}`;
    return [
      lesson(
        phrase`${stock(0.1)} more or less on its diameter moves its notes by ${cut.value.toFixed(1)}${by} ¢`,
        cut.seen,
      ),
    ];
  });
}
