'use client';

import type { StockState } from '@holotonos/core';
import { useRouter, useSearchParams } from 'next/navigation';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { useDrawers } from '@/shop/useStock';
import { BeforePulling } from './BeforePulling';
import { PadSet } from './PadSet';
import { PadsNav, type PadsPart } from './PadsNav';
import { SetSum } from './SetSum';
import { ShimsUnderPads } from './ShimsUnderPads';
import { StackPicture } from './StackPicture';

const parts: readonly PadsPart[] = ['before', 'set', 'shims'];

/** The pads of a job as a set: before they are pulled, chosen out of the drawers, and brought level where they lie dry. */
export function PadsView({ first }: { first: StockState }) {
  const { ticket, type, state } = useJob();
  const { stock, write: writeStock } = useDrawers(first);
  const router = useRouter();
  const query = useSearchParams();
  const dry = type.pads.some(({ hold }) => hold !== 'adhesive');
  const asked = query.get('show');
  const usual: PadsPart = type.pads.some(({ hole }) => state.observations.has(`fit:${hole}`)) ? 'set' : 'before';
  const part = parts.find((id) => id === asked && (dry || id !== 'shims')) ?? usual;
  const go = (to: PadsPart, hole?: string) =>
    router.replace(`/jobs/${ticket}/pads?show=${to}${hole === undefined ? '' : `&part=${hole}`}`);
  return (
    <Bands
      work={
        <div className="pads-page">
          <PadsNav usual={usual} />
          {part === 'before' && <BeforePulling here={query.get('part')} onGo={(hole) => go('before', hole)} />}
          {part === 'set' && <PadSet stock={stock} writeStock={writeStock} />}
          {part === 'shims' && <ShimsUnderPads here={query.get('part')} onGo={(hole) => go('shims', hole)} />}
        </div>
      }
      readout={part === 'set' ? <SetSum stock={stock} /> : <StackPicture />}
    />
  );
}
