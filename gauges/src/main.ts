import { serveGauges } from './serve';

const [line = '4650', page = '4651'] = process.argv.slice(2);
try {
  const gauges = await serveGauges({ line: Number(line), page: Number(page) });
  console.log(`Stand-in gauges: page at http://127.0.0.1:${gauges.pagePort}, lines at 127.0.0.1:${gauges.linePort}`);
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => void gauges.close().finally(() => process.exit(0)));
} catch (error) {
  console.error(`The stand-in gauges could not start: ${(error as Error).message}`);
  process.exitCode = 1;
}
