import { openStore, type Store } from '../src';
import { demoCopy, newDatabase, type Copy } from './copies';
import { migrate } from './fill';

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

/** An empty database of its own, migrated unless asked otherwise. */
export async function testDatabase({ migrated = true } = {}): Promise<TestDatabase> {
  const empty = await newDatabase();
  if (migrated) await migrate(empty);
  return opened(empty);
}

/** A database of its own with the demo in it. */
export const demoDatabase = async (): Promise<TestDatabase> => opened(await demoCopy());
