import type { Problem } from '../solvers/contract';

/** Characters no text may hold: the database keeps no NUL, and half a character comes back as another. */
const strange = /\0|\p{Surrogate}/u;
const pointer = (path: string, name: string) => `${path}/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`;
/** Deeper than this no document of ours goes; a deeper one is refused before it fills the stack. */
const deepest = 60;
const mostProblems = 20;

/** Is this a text that is kept as it is? */
export const isPlainText = (text: string): boolean => !strange.test(text);

/** Every text of a document, names of properties too, that could not be kept as it is. */
export function strangeTexts(data: unknown): Problem[] {
  const problems: Problem[] = [];
  const look = (value: unknown, path: string, depth: number) => {
    if (problems.length >= mostProblems) return;
    if (typeof value === 'string') {
      if (!isPlainText(value)) problems.push({ path, message: 'holds a character that is none (NUL or half of one)' });
    } else if (typeof value === 'object' && value !== null) {
      if (depth >= deepest) {
        problems.push({ path, message: `lies deeper than ${deepest} levels` });
        return;
      }
      for (const [name, inner] of Object.entries(value)) {
        if (!isPlainText(name))
          problems.push({ path, message: 'has a property whose name holds a character that is none' });
        else look(inner, pointer(path, name), depth + 1);
      }
    }
  };
  look(data, '', 0);
  return problems;
}
