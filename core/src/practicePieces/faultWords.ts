import { adjusterWords } from '../regulation';
import { length, phrase, type Phrase } from '../units';
import { stepOf, type LaidOut } from './hiddenMechanism';
import type { PieceFault } from './piece.schema';

/** What a fault is, in words; of an adjuster with what would put it right. */
export function faultWords({ type, sound }: LaidOut, fault: PieceFault, name: (part: string) => string): Phrase {
  switch (fault.kind) {
    case 'adjuster': {
      const kind = type.links.find(({ id }) => id === fault.link)?.adjuster ?? 'fixed';
      const away = fault.steps * stepOf(sound.mechanism, fault.link);
      const late = phrase`${name(fault.link)}: follower ${length(Math.abs(away))} too ${away > 0 ? 'late' : 'early'}. `;
      return [...late, ...adjusterWords(kind, -fault.steps, -away)];
    }
    case 'pad':
      return phrase`${name(fault.hole)}: the pad is not level, ${length(fault.unevenness)} open toward ${fault.toward}°. Level it first: no adjuster does it.`;
    case 'hinge':
      return phrase`${name(fault.key)}: its hinge is loose, its pad lands anywhere within ${length(fault.play)}. Tighten it first: no adjuster does it.`;
    case 'twist':
      return phrase`${name(fault.key)}: its neighbours twist its rod more than usual. A helper has to yield when all are down.`;
  }
}
