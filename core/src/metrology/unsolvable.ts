import { printPhrase, type Phrase } from '../units';

/** A question that its figures do not answer. What it says keeps its lengths as lengths; the message has them in mm. */
export class Unsolvable extends Error {
  override readonly name = 'Unsolvable';
  readonly said: Phrase;

  constructor(said: string | Phrase) {
    const kept = typeof said === 'string' ? [said] : said;
    super(printPhrase(kept, 'mm'));
    this.said = kept;
  }
}
