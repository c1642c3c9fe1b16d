import { Suspense } from 'react';
import { StripDownView } from '@/app/jobs/[ticket]/strip/_stripdown/StripDownView';

export default function Page() {
  return (
    <Suspense>
      <StripDownView />
    </Suspense>
  );
}
