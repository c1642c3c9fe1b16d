import { Suspense } from 'react';
import { StripDownView } from '@/stripdown/StripDownView';

export default function Page() {
  return (
    <Suspense>
      <StripDownView />
    </Suspense>
  );
}
