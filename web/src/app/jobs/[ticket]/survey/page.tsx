import { Suspense } from 'react';
import { SurveyView } from '@/survey/SurveyView';

export default function Page() {
  return (
    <Suspense>
      <SurveyView />
    </Suspense>
  );
}
