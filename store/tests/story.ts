import { brackwaterJobs } from '../src';

let told: ReturnType<typeof brackwaterJobs> | undefined;

/** The jobs of the demo, told once a file of tests: whoever changes one takes a copy. */
export const storyJobs = (): ReturnType<typeof brackwaterJobs> => (told ??= brackwaterJobs());
