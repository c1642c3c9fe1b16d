import { printQuantity, type Quantity } from './quantity';
import type { LengthUnit } from './units';

/** A sentence whose figures are still figures: what is said is decided in the core, in which unit by who reads it. */
export type Phrase = readonly (string | Quantity)[];

/** Nothing to say. */
export const silence: Phrase = [];

const tidy = (parts: readonly (string | Quantity)[]): Phrase => {
  const said: (string | Quantity)[] = [];
  for (const part of parts) {
    const last = said.at(-1);
    if (typeof part !== 'string') said.push(part);
    else if (typeof last === 'string') said[said.length - 1] = last + part;
    else if (part !== '') said.push(part);
  }
  return said;
};

/**
 * A sentence with its quantities left as they are. Plain numbers are counts; a figure with a unit must be a quantity.
 *
 * @example printPhrase(phrase`Loose by up to ${length(0.0508)}.`, 'thou') // => "Loose by up to 2.0 thou."
 */
export function phrase(strings: TemplateStringsArray, ...values: (string | number | Quantity | Phrase)[]): Phrase {
  const parts = strings.flatMap((text, i): (string | Quantity)[] => {
    const value = values[i];
    if (value === undefined) return [text];
    if (typeof value === 'number') return [text, String(value)];
    return Array.isArray(value) ? [text, ...(value as Phrase)] : [text, value as string | Quantity];
  });
  return tidy(parts);
}

/** Phrases one after the other; those that say nothing are left out. */
export const joined = (phrases: readonly Phrase[], between = ' '): Phrase =>
  tidy(phrases.filter((each) => each.length > 0).flatMap((each, i) => (i === 0 ? each : [between, ...each])));

/** A phrase as text, its lengths in the unit of the job. */
export const printPhrase = (said: Phrase, unit: LengthUnit): string =>
  said.map((part) => (typeof part === 'string' ? part : printQuantity(part, unit))).join('');
