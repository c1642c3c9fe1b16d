// Sheets are drawn on a thread of their own: setting the type of one takes up to a second, and nobody’s reading waits for it.
// A build makes one file of this, the sheets and the core; see `ensureBuilt`.
import { renderToBuffer, type DocumentProps } from '@react-pdf/renderer';
import type { ComponentType, ReactElement } from 'react';
import { Transfer, worker } from 'workerpool';
import { registerFonts } from '../print/sheet';
import { sheets, type SheetName } from '../print/sheets';

worker({
  print: async (name: SheetName, props: object) => {
    await registerFonts();
    const Sheet = sheets[name] as ComponentType<object>;
    const pdf = new Uint8Array(await renderToBuffer((<Sheet {...props} />) as ReactElement<DocumentProps>));
    return new Transfer(pdf, [pdf.buffer]);
  },
});
