// The same where nothing has been built: in tests of the routes, and while developing.
import { fileURLToPath } from 'node:url';
import { register } from 'tsx/esm/api';

register({ tsconfig: fileURLToPath(new URL('../../tsconfig.json', import.meta.url)) });
await import('./printing.tsx');
