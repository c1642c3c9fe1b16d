/** How programs of ours are made into one file each for Node. */
export const forNode = { bundle: true, format: 'esm', platform: 'node', target: 'node20' };

/** For what is bundled that asks for its parts the older way. */
export const askingTheOlderWay = {
  banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
};
