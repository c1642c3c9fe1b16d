import { parseNumber } from '@holotonos/core';
import type { AnyNew } from './entryQueue';

/** One plain value of an entry that can be typed anew. */
export interface Leaf {
  path: readonly (string | number)[];
  label: string;
  text: string;
  kind: 'text' | 'figure';
}

/** Ids join entries to each other; typing one anew would join it to nothing. */
const joins = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** What of an entry can be typed anew: its author, its time, and every text and figure of its body. */
export function leavesOf(entry: AnyNew): Leaf[] {
  const leaves: Leaf[] = [];
  const walk = (value: unknown, path: readonly (string | number)[]) => {
    const label = path
      .filter((step) => step !== 'body')
      .map((step) =>
        String(step)
          .replace(/([a-z])([A-Z])/g, '$1 $2')
          .toLowerCase(),
      )
      .join(' › ');
    if (typeof value === 'number') leaves.push({ path, label, text: String(value), kind: 'figure' });
    else if (typeof value === 'string' && !joins.test(value)) leaves.push({ path, label, text: value, kind: 'text' });
    else if (typeof value === 'object' && value !== null)
      for (const [key, inner] of Object.entries(value))
        walk(inner, [...path, Array.isArray(value) ? Number(key) : key]);
  };
  walk({ author: entry.author, benchTime: entry.benchTime, body: entry.body }, []);
  return leaves;
}

function put(at: unknown, [first, ...rest]: readonly (string | number)[], value: unknown): unknown {
  if (first === undefined) return value;
  if (Array.isArray(at)) return at.map((item, i) => (i === first ? put(item, rest, value) : item));
  const object = at as Record<string, unknown>;
  return { ...object, [first]: put(object[first], rest, value) };
}

/**
 * The entry with its values as they were typed, under another id: what the server was sent under the old one it may
 * have kept.
 *
 * @returns the entry, or the label of the first figure that is none
 */
export function entryFrom<New extends AnyNew>(
  entry: New,
  texts: readonly string[],
  id: string,
): New | { notAFigure: string } {
  let changed: unknown = { ...entry, id };
  for (const [i, leaf] of leavesOf(entry).entries()) {
    const text = texts[i] ?? leaf.text;
    if (text === leaf.text) continue;
    const value = leaf.kind === 'figure' ? parseNumber(text) : text;
    if (value === null) return { notAFigure: leaf.label };
    changed = put(changed, leaf.path, value);
  }
  return changed as New;
}
