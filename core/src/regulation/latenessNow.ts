import { isPair, type InstrumentType } from '../instruments';
import { partOf } from './calibrate';
import type { JobMechanism } from './jobMechanism';
import { lagOf } from './lag';
import { keyState, mechanismOf, press } from './mechanism';
import type { LinkStop } from './walk';

/**
 * What a look without any doubt would show at a link: how late its follower is, mm under its pad; less than nothing where
 * its driver is the late one. Alone as the finger goes down; with other keys held what is left open at this force; of a
 * link that closes no two pads how far its gap is from that of a sound mechanism.
 *
 * @param force at each touch, N
 * @returns null where neither pad ever seals
 */
export function latenessNow(
  mechanism: JobMechanism,
  sound: JobMechanism,
  type: InstrumentType,
  { link: id, held }: LinkStop,
  force: number,
): number | null {
  const link = type.links.find((each) => each.id === id);
  if (!link) return null;
  const { driver, follower } = link;
  const gapIn = ({ links }: JobMechanism) => links.find((each) => each.id === id)?.gap ?? 0;
  if (!isPair(type, link)) return gapIn(mechanism) - gapIn(sound);
  if (held.length === 0) return lagOf(partOf(mechanism, [driver]), driver, [driver, follower]);
  const pressed = [driver, ...held];
  const model = mechanismOf(partOf(mechanism, pressed));
  const state = press(model, Object.fromEntries(pressed.map((key) => [key, force])));
  const left = (key: string) => keyState(model, state, model.indexOf(key, 'A look')).gap;
  const [own, others] = [left(driver), left(follower)];
  return own > 0 ? -own : others;
}
