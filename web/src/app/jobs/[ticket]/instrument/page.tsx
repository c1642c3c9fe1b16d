import { Suspense } from 'react';
import { InstrumentView } from '@/instrument/InstrumentView';

export default function Page() {
  return (
    <Suspense>
      <InstrumentView />
    </Suspense>
  );
}
