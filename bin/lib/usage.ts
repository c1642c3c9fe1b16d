import { once } from 'node:events';
import { parseArgs, type ParseArgsConfig } from 'node:util';

/** A mistake in how the command was called, in words for whoever typed it. */
export class Usage extends Error {}

/** Arguments by name; what was not asked for is refused, not passed over. */
export function read<const O extends NonNullable<ParseArgsConfig['options']>>(
  args: string[],
  options: O,
  most: number,
) {
  const { values, positionals } = parseArgs({ args, allowPositionals: true, options });
  const extra = positionals[most];
  if (extra !== undefined) throw new Usage(`“${extra}” is one argument too many. See:  bin/holotonos help`);
  return { values, positionals };
}

/** Why a file could not be read, in words. */
export function whyUnread(file: string, error: unknown): string {
  const { code, message } = error as NodeJS.ErrnoException;
  if (code === 'ENOENT') return `There is no file ${file}.`;
  if (code === 'EISDIR') return `${file} is a folder. Name a file.`;
  if (code === 'EACCES') return `${file} may not be read by this user.`;
  return `${file} could not be read: ${message}`;
}

/** Writes and waits while the reader is behind, so that a slow reader costs no memory. */
export async function write(text: string): Promise<void> {
  if (!process.stdout.write(text)) await once(process.stdout, 'drain');
}

/** A figure of an option, within its bounds. */
export function figure(name: string, text: string, least: number, most: number): number {
  const value = Number(text);
  if (text.trim() === '' || !(value >= least && value <= most))
    throw new Usage(`--${name} is a figure from ${least} to ${most}, not “${text}”.`);
  return value;
}
