import { pdfFile } from '@/server/pdfReply';
import { answering } from '@/server/replies';

/** The card that hangs at the bench: keys, shapes and colours. */
export const GET = () => answering(() => pdfFile('keys', {}));
