import { Document, Font, Page, StyleSheet, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { readFile } from 'node:fs/promises';
import { decompress } from 'wawoff2';
import { ownFile } from '@/server/ownFile';

/**
 * A font of the shipped package, unpacked: in the packed file, what sets the type looks up one letter by unpacking all of
 * them, twice a letter.
 */
async function face(name: string): Promise<string> {
  const path = ownFile(`node_modules/@fontsource/atkinson-hyperlegible-next/files/${name}`);
  if (path === null) throw new Error(`The font ${name} is not installed. Run npm ci.`);
  const unpacked = await decompress(await readFile(path));
  return `data:font/ttf;base64,${Buffer.from(unpacked).toString('base64')}`;
}

async function register(): Promise<void> {
  // One after the other: what is unpacked lies in the package's own memory until it is taken from there.
  const regular = await face('atkinson-hyperlegible-next-latin-400-normal.woff2');
  const bold = await face('atkinson-hyperlegible-next-latin-700-normal.woff2');
  Font.register({
    family: 'Atkinson',
    fonts: [
      { src: regular, fontWeight: 400 },
      { src: bold, fontWeight: 700 },
    ],
  });
  // Words of the trade are not broken at random.
  Font.registerHyphenationCallback((word) => [word]);
}

let registered: Promise<void> | null = null;

/** Fonts are read from the shipped packages, once a thread; what did not come is tried again. */
export const registerFonts = (): Promise<void> =>
  (registered ??= register().catch((error: unknown) => {
    registered = null;
    throw error;
  }));

export const styles = StyleSheet.create({
  page: { fontFamily: 'Atkinson', fontSize: 10, color: '#241a17', padding: 42, paddingBottom: 56, lineHeight: 1.35 },
  title: { fontSize: 17, fontWeight: 700, marginBottom: 4, lineHeight: 1.25 },
  soft: { color: '#4b4441' },
  heading: {
    fontSize: 12,
    fontWeight: 700,
    marginTop: 10,
    marginBottom: 3,
    borderBottomWidth: 1,
    borderBottomColor: '#6d757a',
  },
  row: { flexDirection: 'row', borderBottomWidth: 0.5, borderBottomColor: '#a9b0b5', paddingVertical: 2 },
  item: { marginBottom: 2 },
  footer: {
    position: 'absolute',
    bottom: 26,
    left: 42,
    right: 42,
    fontSize: 8.5,
    color: '#4b4441',
    flexDirection: 'row',
    justifyContent: 'space-between',
  },
});

/** Note names in words: the shipped text face has no sharp or flat sign. */
export const inPrint = (text: string): string =>
  text.replace(/([♯♭])(\d?)/g, (_, sign, octave) => `${sign === '♯' ? ' sharp' : ' flat'}${octave && ` ${octave}`}`);

/** A printed sheet of A4 with a footer that names the ticket and counts the pages. */
export function Sheet({
  title,
  ticket,
  wide = false,
  children,
}: {
  title: string;
  ticket: string;
  /** the long side across */
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <Document title={`${ticket} ${title}`} creator="Holotonos">
      <Page size="A4" orientation={wide ? 'landscape' : 'portrait'} style={styles.page} wrap>
        {children}
        <View style={styles.footer} fixed>
          <Text>
            {ticket} · {title}
          </Text>
          <Text render={({ pageNumber, totalPages }) => `${pageNumber} of ${totalPages}`} />
        </View>
      </Page>
    </Document>
  );
}

export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View>
      <Text style={styles.heading} minPresenceAhead={40}>
        {title}
      </Text>
      {children}
    </View>
  );
}

/** Lines of a list; a line that stands alone when there is nothing to list. */
export function Lines({ lines, empty }: { lines: readonly string[]; empty: string }) {
  const shown = lines.length > 0 ? lines : [empty];
  return (
    <View>
      {shown.map((line, i) => (
        <Text key={i} style={styles.item} wrap={false}>
          · {inPrint(line)}
        </Text>
      ))}
    </View>
  );
}
