import 'server-only';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Marked } from 'marked';
import { cache } from 'react';
import { ownFile } from './ownFile';

/** A page of the guide, ready to be shown. */
export interface GuidePage {
  title: string;
  html: string;
}

const plainName = /^[a-z]+(-[a-z]+)*$/;

/** Links lead from page to page here as they do between the files; what lies outside the guide is not served. */
const marked = new Marked({
  renderer: {
    link({ href, tokens }) {
      const words = this.parser.parseInline(tokens);
      const page = /^([a-z-]+)\.md$/.exec(href)?.[1];
      return page ? `<a href="/guide/${page}">${words}</a>` : words;
    },
    image({ href, text }) {
      const name = /^\.\.\/screenshots\/([a-z-]+\.png)$/.exec(href)?.[1];
      return name ? `<img src="/guide/pictures/${name}" alt="${text}" loading="lazy">` : text;
    },
  },
});

/**
 * A page of the guide, read from `docs/guide`; once, though its title and its words are asked for apart.
 *
 * @param name of the file without its ending; `README` is the first page
 * @returns null where there is no such page
 */
export const guidePage = cache(async (name: string): Promise<GuidePage | null> => {
  const folder = ownFile('docs/guide');
  if (folder === null || !(name === 'README' || plainName.test(name))) return null;
  const text = await readFile(join(/* turbopackIgnore: true */ folder, `${name}.md`), 'utf8').catch(() => null);
  if (text === null) return null;
  return { title: /^# (.+)$/m.exec(text)?.[1] ?? name, html: await marked.parse(text) };
});

/** A picture of the guide; null where there is none of that name. */
export async function guidePicture(name: string): Promise<Buffer | null> {
  const folder = ownFile('docs/screenshots');
  if (folder === null || !/^[a-z]+(-[a-z]+)*\.png$/.test(name)) return null;
  return readFile(join(/* turbopackIgnore: true */ folder, name)).catch(() => null);
}
