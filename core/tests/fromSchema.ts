import fc from 'fast-check';
import { chanceFrom, type Chance } from '../src/simulation';
import { daySchema, momentSchema, uuidSchema } from '../src/validation/plain.schema';

/** As much of JSON Schema as the project's own schemas use. */
export interface Schema {
  type?: string | readonly string[];
  const?: unknown;
  enum?: readonly unknown[];
  properties?: Readonly<Record<string, Schema>>;
  required?: readonly string[];
  additionalProperties?: boolean | Schema;
  items?: Schema;
  minItems?: number;
  maxItems?: number;
  uniqueItems?: boolean;
  minLength?: number;
  maxLength?: number;
  pattern?: string;
  format?: string;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  exclusiveMaximum?: number;
  anyOf?: readonly Schema[];
  oneOf?: readonly Schema[];
}

const pick = <T>(chance: Chance, list: readonly T[]): T => list[Math.floor(chance.uniform() * list.length)] as T;
const whole = (chance: Chance, low: number, high: number) => low + Math.floor(chance.uniform() * (high - low + 1));

/** So many texts are made of each pattern, once: making them is most of what a sample costs. */
const poolSize = 120;
const poolSeed = 20_261;
const pools = new Map<string, string[]>();
function textsOf(pattern: string): string[] {
  const known =
    pools.get(pattern) ?? fc.sample(fc.stringMatching(new RegExp(pattern)), { seed: poolSeed, numRuns: poolSize });
  pools.set(pattern, known);
  return known;
}

function textFrom({ pattern, format, minLength = 0, maxLength = 200 }: Schema, chance: Chance): string {
  if (pattern === uuidSchema.pattern) return chance.uuid();
  if (pattern === momentSchema.pattern)
    return `20${whole(chance, 10, 99)}-0${whole(chance, 1, 9)}-1${whole(chance, 0, 9)}T1${whole(chance, 0, 9)}:30:00.000Z`;
  if (pattern === daySchema.pattern || format === 'date')
    return `20${whole(chance, 10, 99)}-0${whole(chance, 1, 9)}-1${whole(chance, 0, 9)}`;
  if (pattern !== undefined && pattern !== '\\S') {
    const fits = textsOf(pattern).filter((text) => text.length >= minLength && text.length <= maxLength);
    return pick(chance, fits.length > 0 ? fits : textsOf(pattern)) ?? '';
  }
  return pick(chance, ['Cork & felt', 'x', 'Штангенциркуль', '“quoted”, <b>bold</b>', '=1+1', '音叉 ♯']).slice(
    0,
    maxLength,
  );
}

/** A document that a schema takes: what is required, and some of what is not. The same for the same seed. */
export function sampleOf(schema: Schema, chance: Chance = chanceFrom(1), all = false): unknown {
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return pick(chance, schema.enum);
  const branches = schema.anyOf ?? schema.oneOf;
  if (branches) {
    const branch = pick(chance, branches);
    return sampleOf({ ...branch, type: branch.type ?? 'object' }, chance, all);
  }
  const type = typeof schema.type === 'string' ? schema.type : schema.type?.[0];
  switch (type) {
    case 'string':
      return textFrom(schema, chance);
    case 'boolean':
      return chance.uniform() < 0.5;
    case 'null':
      return null;
    case 'integer':
    case 'number': {
      const low = schema.minimum ?? (schema.exclusiveMinimum !== undefined ? schema.exclusiveMinimum + 1e-3 : 0);
      const high =
        schema.maximum ?? (schema.exclusiveMaximum !== undefined ? schema.exclusiveMaximum - 1e-3 : low + 100);
      return type === 'integer'
        ? whole(chance, Math.ceil(low), Math.min(Math.floor(high), Math.ceil(low) + 100))
        : low + chance.uniform() * (Math.min(high, low + 100) - low);
    }
    case 'array': {
      const most = Math.min(schema.maxItems ?? 3, (schema.minItems ?? 0) + 2);
      const list = Array.from({ length: whole(chance, schema.minItems ?? 0, most) }, () =>
        sampleOf(schema.items ?? {}, chance, all),
      );
      return schema.uniqueItems ? [...new Set(list)] : list;
    }
    default: {
      const entries = Object.entries(schema.properties ?? {}).filter(
        ([name]) => all || schema.required?.includes(name) || chance.uniform() < 0.4,
      );
      const own = Object.fromEntries(entries.map(([name, inner]) => [name, sampleOf(inner, chance, all)]));
      if (typeof schema.additionalProperties !== 'object') return own;
      return { ...own, other: sampleOf(schema.additionalProperties, chance, all) };
    }
  }
}

/** One way in which a document is wrong: where, and the document with the damage done. */
export interface Damage {
  path: string;
  what: string;
  document: unknown;
}

/** A copy of a document with the value at a path put otherwise; `undefined` takes it out. */
function withAt(document: unknown, path: readonly (string | number)[], value: unknown): unknown {
  const [first, ...rest] = path;
  if (first === undefined) return value;
  if (Array.isArray(document)) return document.map((item, i) => (i === first ? withAt(item, rest, value) : item));
  const { [first]: inner, ...others } = document as Record<string, unknown>;
  return rest.length === 0 && value === undefined ? others : { ...others, [first]: withAt(inner, rest, value) };
}

const wrongTypes: Record<string, readonly unknown[]> = {
  string: [12, null, [], {}],
  number: ['12', null, [], true],
  integer: ['12', null, 1.5],
  boolean: ['yes', 1, null],
  array: ['none', {}, null],
  object: ['none', [], null, 12],
};

/** Every damage to each field of a document that a schema must notice. */
export function damagesOf(schema: Schema, document: unknown): Damage[] {
  const found: Damage[] = [];
  const add = (path: readonly (string | number)[], what: string, value: unknown) =>
    found.push({ path: `/${path.join('/')}`, what, document: withAt(document, path, value) });
  const walk = (at: Schema, value: unknown, path: readonly (string | number)[]) => {
    if (at.const !== undefined || at.enum) return add(path, 'no such word', 'no such word');
    const types = typeof at.type === 'string' ? [at.type] : (at.type ?? (at.properties ? ['object'] : []));
    const [type] = types;
    if (types.length === 1 && type) for (const wrong of wrongTypes[type] ?? []) add(path, `not a ${type}`, wrong);
    if (type === 'string') {
      if (at.maxLength !== undefined) add(path, 'too long', 'x'.repeat(at.maxLength + 1));
      if (at.pattern !== undefined) add(path, 'blank', ' ');
      if (at.pattern === momentSchema.pattern)
        for (const time of [
          '0001-01-01T00:00:00+14:00',
          '9999-12-31T23:59:59-14:00',
          '2026-06-30T23:59:60Z',
          '2026-02-30T10:00:00Z',
          'now',
        ])
          add(path, 'no time of this age', time);
      if (at.pattern === daySchema.pattern)
        for (const day of ['0000-01-01', '2026-02-30', '12026-01-01']) add(path, 'no day of this age', day);
      if (at.pattern === uuidSchema.pattern && typeof value === 'string')
        for (const id of [value.toUpperCase().replace(/^\d/, 'A'), `urn:uuid:${value}`, `{${value}}`])
          add(path, 'another spelling', id);
    }
    if (type === 'number' || type === 'integer') {
      if (at.minimum !== undefined) add(path, 'too small', at.minimum - 1);
      if (at.maximum !== undefined) add(path, 'too large', at.maximum + 1);
    }
    if (Array.isArray(value)) {
      if (at.maxItems !== undefined && value.length > 0)
        add(
          path,
          'too many',
          Array.from({ length: at.maxItems + 1 }, () => value[0]),
        );
      if (at.minItems) add(path, 'too few', []);
      value.forEach((item, i) => at.items && walk(at.items, item, [...path, i]));
    } else if (type === 'object' && typeof value === 'object' && value !== null) {
      if (at.additionalProperties === false) add([...path, 'strange'], 'not known', 1);
      for (const name of at.required ?? []) add([...path, name], 'missing', undefined);
      for (const [name, inner] of Object.entries(value))
        if (at.properties?.[name]) walk(at.properties[name], inner, [...path, name]);
    }
  };
  walk(schema, document, []);
  return found;
}
