import * as generated from '../generated/validators.js';
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
type Validator = ((data: unknown) => boolean) & { errors?: AjvError[] | null };

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

export type SchemaName = keyof typeof generated;

/** True when a schema of this name was compiled. */
export const hasSchema = (name: string): name is SchemaName => Object.hasOwn(generated, name);

/**
 * Checks data against one of the compiled schemas. The same code runs in the browser, on the server and on the
 * command line; it is generated from the schemas, so that no page needs `eval`.
 *
 * @returns the problems, an empty list when there are none
 */
export function problemsWith(name: SchemaName, data: unknown): Problem[] {
  const validate = generated[name] as Validator;
  if (validate(data)) return [];
  const errors = validate.errors ?? [];
  // The branch markers of if/then and oneOf repeat what the branch itself has said.
  const telling = errors.filter(({ keyword }) => keyword !== 'if' && keyword !== 'oneOf' && keyword !== 'anyOf');
  return (telling.length > 0 ? telling : errors).slice(0, mostProblems).map(problemOf);
}
