// The order of the browser's stories. Jest goes by what files took the last time, or by their size where there was none; two
// of the smallest take longest, and begun last they leave the other core idle.
import sequencer from '@jest/test-sequencer';

const longFirst = ['badRequests.test.ts', 'covered.test.ts'];

const Sequencer = sequencer.default ?? sequencer;
export default class LongFirst extends Sequencer {
  async sort(tests) {
    const rank = ({ path }) => longFirst.findIndex((name) => path.endsWith(`/${name}`));
    const sorted = await super.sort(tests);
    return [...sorted.filter((test) => rank(test) >= 0), ...sorted.filter((test) => rank(test) < 0)];
  }
}
