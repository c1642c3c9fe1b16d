import type { Draft } from './kind';
import { LayeredMap } from './layeredMap';

/** A map longer than this is no longer copied whole: that would cost a thousandth of a second and more at every entry. */
const longMap = 2000;

const ownMap = (map: ReadonlyMap<unknown, unknown>) => (map.size > longMap ? new LayeredMap(map) : new Map(map));

/**
 * A state open for writing. Its maps and lists are copied when they are first asked for and not before: an entry that
 * touches one of them costs a copy of that one.
 *
 * @returns the draft, and a function that closes it and gives the new state; then the draft must not be written to
 */
export function draftOf<State extends object>(state: State): { draft: Draft<State>; close: () => State } {
  const now = { ...state } as Record<string, unknown>;
  const own = new Set<string>();
  const draft = {};
  for (const key of Object.keys(state))
    Object.defineProperty(draft, key, {
      enumerable: true,
      get: () => {
        const value = now[key];
        if (own.has(key)) return value;
        own.add(key);
        if (value instanceof Map) now[key] = ownMap(value);
        else if (Array.isArray(value)) now[key] = [...(value as unknown[])];
        return now[key];
      },
      set: (value: unknown) => {
        own.add(key);
        now[key] = value;
      },
    });
  return { draft: draft as Draft<State>, close: () => now as State };
}
