import type { InstrumentType } from './instrumentType.schema';

type Key = InstrumentType['keys'][number];
type Post = InstrumentType['posts'][number];

/** Two neighbouring posts of a rod and the keys between them, down the rod. */
export interface PostSpan {
  upper: Post;
  lower: Post;
  keys: Key[];
}

/** The rods a post carries: none, one, or one on either side where it is a compound post. */
export const rodsOf = ({ rod, other }: Post): string[] => [rod, other].filter((id) => id !== undefined);

/** The posts that carry a rod, down the tube. */
export const postsOf = ({ posts }: Pick<InstrumentType, 'posts'>, rodId: string): Post[] =>
  posts.filter((post) => rodsOf(post).includes(rodId)).sort((a, b) => a.at - b.at);

/** Where a key lies on its rod, mm; all of it where the type does not say. */
export const reachOf = (key: Key, rod: InstrumentType['rods'][number]): { from: number; to: number } => ({
  from: key.from ?? rod.from,
  to: key.to ?? rod.to,
});

/** The spans of a rod that carry keys, from its upper end down. A key belongs to the span its middle lies in. */
export function spansOf(type: InstrumentType, rodId: string): PostSpan[] {
  const rod = type.rods.find(({ id }) => id === rodId);
  if (!rod) return [];
  const posts = postsOf(type, rodId);
  const middle = (key: Key) => {
    const { from, to } = reachOf(key, rod);
    return (from + to) / 2;
  };
  const keys = type.keys.filter((key) => key.rod === rodId).sort((a, b) => reachOf(a, rod).from - reachOf(b, rod).from);
  return posts.slice(1).flatMap((lower, i): PostSpan[] => {
    const upper = posts[i];
    if (!upper) return [];
    const here = keys.filter((key) => middle(key) >= upper.at && middle(key) < lower.at);
    return here.length === 0 ? [] : [{ upper, lower, keys: here }];
  });
}

/** The tubes that share the room of a span: one that runs inside another takes none of its own. */
export const tubesOf = ({ keys }: PostSpan): Key[] => keys.filter(({ nestsIn }) => nestsIn === undefined);

/** The span a key lies in; null for one that is nowhere between two posts. */
export function spanOf(type: InstrumentType, keyId: string): PostSpan | null {
  const key = type.keys.find(({ id }) => id === keyId);
  if (!key?.rod) return null;
  return spansOf(type, key.rod).find(({ keys }) => keys.some(({ id }) => id === keyId)) ?? null;
}

/** Does this key share the room between its posts with others? Then end play belongs to the span, not to the key. */
export function sharesSpan(type: InstrumentType, keyId: string): boolean {
  const span = spanOf(type, keyId);
  return span !== null && (tubesOf(span).length > 1 || !tubesOf(span).some(({ id }) => id === keyId));
}
