import { openStore, type Store } from '../src';
import { demoCopy, emptyCopy, newDatabase, type Copy } from './copies';
import type { DemoTime } from './fill';

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
export const demoDatabase = async (at?: DemoTime): Promise<TestDatabase> => opened(await demoCopy(at));
