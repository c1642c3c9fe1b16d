import { renderToBuffer } from '@react-pdf/renderer';
import { KeysPdf } from '@/print/KeysPdf';
import { registerFonts } from '@/print/sheet';
import { answering, asFile } from '@/server/replies';

/** The card that hangs at the bench: keys, shapes and colours. */
export const GET = () =>
  answering(async () => {
    registerFonts();
    const pdf = await renderToBuffer(<KeysPdf />);
    return new Response(new Uint8Array(pdf), { headers: asFile('keys.pdf', 'application/pdf') });
  });
