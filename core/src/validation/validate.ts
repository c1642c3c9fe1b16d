import type { Problem } from '../solvers/contract';
import { patternWords } from './plain.schema';

/** More than this names nothing new and only grows the answer. */
const mostProblems = 100;

interface AjvError {
  instancePath: string;
  keyword: string;
  message?: string;
  params: Record<string, unknown>;
}
/** A schema compiled to a check; it keeps what was wrong with what it was asked last. */
export type Validator = ((data: unknown) => boolean) & { errors?: AjvError[] | null };

const pointer = (base: string, name: unknown) => `${base}/${String(name).replaceAll('~', '~0').replaceAll('/', '~1')}`;

function problemOf({ instancePath, keyword, message, params }: AjvError): Problem {
  if (keyword === 'required') return { path: pointer(instancePath, params.missingProperty), message: 'is required' };
  if (keyword === 'additionalProperties') {
    return { path: pointer(instancePath, params.additionalProperty), message: 'is not a known property' };
  }
  if (keyword === 'enum') {
    return { path: instancePath, message: `must be one of ${(params.allowedValues as unknown[]).join(', ')}` };
  }
  if (keyword === 'pattern') {
    const words = patternWords[String(params.pattern)];
    if (words !== undefined) return { path: instancePath, message: words };
  }
  return { path: instancePath, message: message ?? 'is not valid' };
}

/** The validator of this name in a module of them, if there is one; names there have `_` where ours have `-`. */
export function validatorOf(compiled: Readonly<Record<string, unknown>>, name: string): Validator | null {
  const own = name.replaceAll('-', '_');
  return Object.hasOwn(compiled, own) ? (compiled[own] as Validator) : null;
}

/**
 * Checks data against a compiled schema. The same code runs in the browser, on the server and on the command line; it
 * is generated from the schemas, so that no page needs `eval`.
 *
 * @returns the problems, an empty list when there are none
 */
export function problemsWith(validate: Validator, data: unknown): Problem[] {
  if (validate(data)) return [];
  const errors = validate.errors ?? [];
  // The branch markers of if/then and oneOf repeat what the branch itself has said.
  const telling = errors.filter(({ keyword }) => keyword !== 'if' && keyword !== 'oneOf' && keyword !== 'anyOf');
  return (telling.length > 0 ? telling : errors).slice(0, mostProblems).map(problemOf);
}
