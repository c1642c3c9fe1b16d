// The solvers on a thread of their own in the web process: a long answer keeps nobody else waiting, and can be ended.
import { register } from 'tsx/esm/api';
import workerpool from 'workerpool';

// The core is TypeScript, and what Next has built of it is for its own pages.
register();
const { runSolverOnText } = await import('@holotonos/core/solvers');

workerpool.worker({ solve: (name, text) => runSolverOnText(name, text) });
