'use client';

import { useRouter, useSearchParams } from 'next/navigation';
import Link from 'next/link';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { useStock, type StockNow } from '@/shop/useStock';
import { BeforePulling } from './BeforePulling';
import { PadSet } from './PadSet';
import { SetSum } from './SetSum';
import { ShimsUnderPads } from './ShimsUnderPads';
import { StackPicture } from './StackPicture';

const parts = [
  { id: 'before', name: 'Before they come out' },
  { id: 'set', name: 'Choose the set' },
  { id: 'shims', name: 'Shims under dry pads' },
] as const;
type PartId = (typeof parts)[number]['id'];

/** The pads of a job as a set: before they are pulled, chosen out of the drawers, and brought level where they lie dry. */
export function PadsView({ first }: { first: StockNow }) {
  const { ticket, type, state } = useJob();
  const { stock } = useStock(first);
  const router = useRouter();
  const query = useSearchParams();
  const dry = type.pads.some(({ hold }) => hold !== 'adhesive');
  const shown = parts.filter(({ id }) => dry || id !== 'shims');
  const asked = query.get('show');
  const usual: PartId = type.pads.some(({ hole }) => state.observations.has(`fit:${hole}`)) ? 'set' : 'before';
  const part = shown.find(({ id }) => id === asked)?.id ?? usual;
  const go = (to: PartId, hole?: string) =>
    router.replace(`/jobs/${ticket}/pads?show=${to}${hole === undefined ? '' : `&part=${hole}`}`);
  return (
    <Bands
      work={
        <div className="pads-page">
          <nav aria-label="Pads" className="job-tabs mb-2">
            {shown.map(({ id, name }) => (
              <Link
                key={id}
                href={`/jobs/${ticket}/pads?show=${id}`}
                replace
                aria-current={part === id ? 'page' : undefined}
              >
                {name}
              </Link>
            ))}
          </nav>
          {part === 'before' && <BeforePulling here={query.get('part')} onGo={(hole) => go('before', hole)} />}
          {part === 'set' && <PadSet stock={stock} />}
          {part === 'shims' && <ShimsUnderPads here={query.get('part')} onGo={(hole) => go('shims', hole)} />}
        </div>
      }
      readout={part === 'set' ? <SetSum stock={stock} /> : <StackPicture />}
    />
  );
}
