import { isPair, type InstrumentType } from '../instruments';
import { stacksOf } from './workedRules';

/** One look of the round: a link from its driver, alone or with the rest of its stack held down. */
export interface LinkStop {
  link: string;
  held: readonly string[];
}

/**
 * The links in the order they are brought in: pads that most keys close first, then what closes them, each from its own
 * driver; then each stack once more with its neighbours down; then levers and what holds shut.
 */
export function linkWalk(type: InstrumentType): LinkStop[] {
  const drivers = (follower: string) => type.links.filter((link) => link.follower === follower).length;
  const pairs = type.links.filter((link) => isPair(type, link));
  const shared = [...pairs].sort((a, b) => drivers(b.follower) - drivers(a.follower));
  const stacks = stacksOf(type);
  const company = shared.flatMap((link): LinkStop[] => {
    const held = stacks.find(({ keys }) => keys.includes(link.driver))?.keys.filter((key) => key !== link.driver) ?? [];
    const first = shared.find(({ driver }) => driver === link.driver);
    // A driver with two followers is looked at once in company: what shows is whether its own pad still closes.
    return held.length > 0 && first === link ? [{ link: link.id, held }] : [];
  });
  const others = type.links.filter((link) => !isPair(type, link));
  return [
    ...shared.map(({ id }): LinkStop => ({ link: id, held: [] })),
    ...company,
    ...others.map(({ id }): LinkStop => ({ link: id, held: [] })),
  ];
}
