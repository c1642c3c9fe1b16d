import type { FindingKind, MeasureGroup, SpringFault } from '../vocabulary';

/** What a look without a figure amounts to: good, a hair off, or plainly wrong. It cannot give a number, and says so. */
export type TickVerdict = 'good' | 'hair' | 'bad';

/** How a look is taken: what stands in for a gauge. */
export type TickMeans = 'light' | 'film' | 'hand' | 'eye' | 'air';

export const meansWords: Record<TickMeans, string> = {
  light: 'leak light',
  film: 'film',
  hand: 'by hand',
  eye: 'by eye',
  air: 'by mouth',
};

/** One answer to one look, on one key. */
export interface TickChoice {
  id: string;
  /** the key on the keyboard, lower case; no key that a figure could begin with */
  press: string;
  words: string;
  verdict: TickVerdict;
  means: TickMeans;
  /** the finding a wrong look speaks for */
  finds?: FindingKind;
  spring?: SpringFault;
  /** can it be said toward which side? */
  directed?: true;
}

const choice = (
  id: string,
  press: string,
  words: string,
  verdict: TickVerdict,
  means: TickMeans,
  more: Pick<TickChoice, 'finds' | 'spring' | 'directed'> = {},
): TickChoice => ({ id, press, words, verdict, means, ...more });

/** The groups that can be looked at without a figure, and what can be said of a part of each. */
export const tickChoices = {
  'body-line': [
    choice('straight', 's', 'straight', 'good', 'eye'),
    choice('bowed-slightly', 'h', 'bowed a hair', 'hair', 'eye', { finds: 'body-bent', directed: true }),
    choice('bowed-plainly', 'b', 'bowed plainly', 'bad', 'eye', { finds: 'body-bent', directed: true }),
  ],
  'rim': [
    choice('flat', 'f', 'flat under the plate, no light', 'good', 'light'),
    choice('rim-hair', 'h', 'a hair of light', 'hair', 'light', { finds: 'rim-warped', directed: true }),
    choice('low', 'l', 'light under the plate', 'bad', 'light', { finds: 'rim-warped', directed: true }),
    choice('chipped', 'c', 'chipped', 'bad', 'eye', { finds: 'rim-chipped', directed: true }),
  ],
  'post': [
    choice('firm', 'f', 'stands firm', 'good', 'hand'),
    choice('post-hair', 'h', 'gives a hair', 'hair', 'hand', { finds: 'post-loose' }),
    choice('wiggles', 'w', 'wiggles', 'bad', 'hand', { finds: 'post-loose' }),
  ],
  'joint': [
    choice('snug', 's', 'snug and airtight', 'good', 'air'),
    choice('joint-hair', 'h', 'a hair of wobble', 'hair', 'hand', { finds: 'joint-loose' }),
    choice('wobbles', 'w', 'wobbles', 'bad', 'hand', { finds: 'joint-loose' }),
    choice('leaks', 'l', 'leaks', 'bad', 'air', { finds: 'joint-loose' }),
    choice('binds', 'b', 'binds', 'bad', 'hand', { finds: 'joint-tight' }),
  ],
  'hinge': [
    choice('no-wiggle', 'n', 'no rock, no end play', 'good', 'hand'),
    choice('hinge-hair', 'h', 'a hair', 'hair', 'hand', { finds: 'hinge-loose' }),
    choice('rocks', 'r', 'rocks plainly', 'bad', 'hand', { finds: 'hinge-loose' }),
    choice('end-play', 'e', 'end play, plainly', 'bad', 'hand', { finds: 'end-play' }),
  ],
  'pad': [
    choice('no-light', 'n', 'no light', 'good', 'light'),
    choice('drags-all-round', 'd', 'film drags all round', 'good', 'film'),
    choice('light', 'l', 'light shows', 'bad', 'light', { finds: 'pad-leaking', directed: true }),
    choice('free-front', 'f', 'film free at the front', 'bad', 'film', { finds: 'pad-leaking' }),
    choice('free-back', 'b', 'film free at the back', 'bad', 'film', { finds: 'pad-leaking' }),
    choice('free-side', 's', 'film free at a side', 'bad', 'film', { finds: 'pad-leaking', directed: true }),
  ],
  'link': [
    choice('evenly-tight', 'e', 'film evenly tight under both', 'good', 'film'),
    choice('lands-together', 't', 'both at once', 'good', 'light'),
    choice('follower-drags', 'u', 'drags under the follower', 'hair', 'film', {
      finds: 'lost-motion',
    }),
    choice('driver-drags', 'v', 'drags under the driver', 'hair', 'film', {
      finds: 'adjuster-out',
    }),
    choice('follower-free', 'f', 'free under the follower', 'bad', 'film', { finds: 'lost-motion' }),
    choice('driver-free', 'd', 'free under the driver', 'bad', 'film', { finds: 'adjuster-out' }),
    choice('driver-first', 'a', 'driver first, plainly', 'bad', 'light', { finds: 'lost-motion' }),
    choice('follower-first', 'b', 'follower first, plainly', 'bad', 'light', { finds: 'adjuster-out' }),
  ],
  'spring': [
    choice('crisp', 'c', 'returns crisply', 'good', 'hand'),
    choice('weak', 'w', 'too weak', 'bad', 'hand', { finds: 'spring-weak', spring: 'weak' }),
    choice('strong', 's', 'too strong', 'bad', 'hand', { finds: 'spring-weak', spring: 'strong' }),
    choice('spent', 'r', 'rusted, kinked or nicked', 'bad', 'eye', { finds: 'spring-weak', spring: 'spent' }),
  ],
} as const satisfies Partial<Record<MeasureGroup, readonly TickChoice[]>>;
export type TickGroup = keyof typeof tickChoices;
export const tickGroups = Object.keys(tickChoices) as TickGroup[];

export const isTickGroup = (group: string): group is TickGroup => Object.hasOwn(tickChoices, group);

/** What can be said of a part of this group. */
export const choicesOf = (group: TickGroup): readonly TickChoice[] => tickChoices[group];

/** The answer of this id, as the group has it. */
export const choiceOf = (group: TickGroup, id: string): TickChoice | undefined =>
  choicesOf(group).find((each) => each.id === id);
