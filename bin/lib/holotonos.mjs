import { ensureGenerated, ensureNodePackages } from './install.mjs';
import { programOf } from './program.mjs';
import { Plain } from './run.mjs';

/** bin/holotonos: installs what it needs, then hands over to the command line itself. Resolves to the exit code. */
export async function main(args) {
  try {
    ensureNodePackages((text) => console.error(text));
    ensureGenerated();
  } catch (error) {
    console.error(error instanceof Plain ? error.message : error);
    return 1;
  }
  // Whoever reads our output may stop before the end; that is not a fault.
  process.stdout.on('error', (error) => process.exit(error.code === 'EPIPE' ? 0 : 1));
  const program = await programOf('bin/lib/cli.ts');
  if (!program) {
    const { register } = await import('tsx/esm/api');
    register();
  }
  const cli = await import(program ?? './cli.ts');
  return cli.main(args);
}
