import type { ComponentProps } from 'react';
import { AssemblyPdf } from './AssemblyPdf';
import { BenchCardPdf } from './BenchCardPdf';
import { BoardPdf } from './BoardPdf';
import { CheckUpPdf } from './CheckUpPdf';
import { EstimatePdf } from './EstimatePdf';
import { KeysPdf } from './KeysPdf';
import { OrderPdf } from './OrderPdf';
import { PlayTestPdf } from './PlayTestPdf';
import { RecordPdf } from './RecordPdf';

/** Every sheet that is printed, by its name. What one is drawn from goes to another thread: figures and words, no functions. */
export const sheets = {
  'bench-card': BenchCardPdf,
  'check-up': CheckUpPdf,
  'estimate': EstimatePdf,
  'keys': KeysPdf,
  'order': OrderPdf,
  'play-test': PlayTestPdf,
  'record': RecordPdf,
  'screw-board': BoardPdf,
  'way-back': AssemblyPdf,
};

export type SheetName = keyof typeof sheets;

/** What a sheet is drawn from. */
export type SheetProps<Name extends SheetName> = ComponentProps<(typeof sheets)[Name]>;
