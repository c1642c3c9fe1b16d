import { Suspense } from 'react';
import { SurveyView } from '@/app/jobs/[ticket]/survey/_survey/SurveyView';

export default function Page() {
  return (
    <Suspense>
      <SurveyView />
    </Suspense>
  );
}
