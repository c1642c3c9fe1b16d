// The solvers on a thread of their own in the web process: a long answer keeps nobody else waiting, and can be ended.
// A build makes one file of this and the core; see `ensureBuilt`.
import { quickSchedule } from '@holotonos/core/schedule';
import { runSolverOnText } from '@holotonos/core/solvers';
import workerpool from 'workerpool';

workerpool.worker({
  solve: (name, text) => runSolverOnText(name, text),
  schedule: (text) => {
    try {
      return { schedule: quickSchedule(JSON.parse(text)) };
    } catch (error) {
      return { why: error.message };
    }
  },
});
