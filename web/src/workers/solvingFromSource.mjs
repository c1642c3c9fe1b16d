// The same where nothing has been built: in tests of the routes, and while developing.
import { register } from 'tsx/esm/api';

register();
await import('./solving.mjs');
