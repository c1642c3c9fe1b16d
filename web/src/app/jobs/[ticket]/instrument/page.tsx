import { Suspense } from 'react';
import { InstrumentView } from '@/app/jobs/[ticket]/instrument/_instrument/InstrumentView';

export default function Page() {
  return (
    <Suspense>
      <InstrumentView />
    </Suspense>
  );
}
