import { openStore, type Store } from '../src';
import type { DemoPlace } from '../src/demo/loadDemo';
import { demoCopy, emptyCopy, newDatabase, type Copy } from './copies';

export { migrations } from './fill';

export type TestDatabase = Store & Omit<Copy, 'name'>;

const opened = (copy: Copy): TestDatabase => {
  const store = openStore(copy.url);
  const drop = async () => {
    await store.close();
    await copy.drop();
  };
  return { ...store, ...copy, drop };
};

/** An empty database of its own, with its tables unless asked otherwise. */
export const testDatabase = async ({ migrated = true } = {}): Promise<TestDatabase> =>
  opened(await (migrated ? emptyCopy() : newDatabase()));

/** A database of its own with the demo in it. */
export const demoDatabase = async (at?: DemoPlace): Promise<TestDatabase> => opened(await demoCopy(at));
