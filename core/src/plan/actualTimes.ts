import type { InstrumentType } from '../instruments';
import { rememberedOf, type JobState } from '../job';
import { planInputOf, workBasis } from './planInput';
import type { ActualTime } from './learnTimes';
import type { CustomWork } from './plan.schema';
import { planOverhaul } from './planOverhaul';

/** How long the steps of a job really took, against the table: what `learnTimes` learns from. */
export const actualTimes = (state: JobState, type: InstrumentType, custom?: CustomWork): readonly ActualTime[] =>
  rememberedOf(state, 'times', workBasis(state, type, custom), () => {
    const input = planInputOf(state, type, custom);
    // Minutes set by hand for this job say nothing about the table.
    const byHand = input.byHand?.map(({ minutes: _, ...rest }) => rest) ?? [];
    return planOverhaul({ ...input, byHand }, type).operations.flatMap(({ id, kind, minutes }) => {
      const done = state.operations.get(id);
      if (done?.status !== 'done' || !(done.minutes > 0)) return [];
      const { author: person, minutes: taken, endedAt } = done;
      return [{ kind, family: type.family, person, minutes: taken, expected: minutes.likely, at: endedAt ?? '' }];
    });
  });
