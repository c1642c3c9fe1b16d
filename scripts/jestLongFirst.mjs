// The order of the browser's stories. Jest goes by what files took the last time, or by their size where there was none; two
// of the smallest take longest, and begun last they leave the other core idle.
import Sequencer from '@jest/test-sequencer';

const longFirst = ['badRequests.test.ts', 'covered.test.ts'];

export default class LongFirst extends Sequencer {
  async sort(tests) {
    const later = ({ path }) => Number(!longFirst.some((name) => path.endsWith(`/${name}`)));
    return (await super.sort(tests)).sort((a, b) => later(a) - later(b));
  }
}
