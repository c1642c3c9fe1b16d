import { SurveyView } from '@/app/jobs/[ticket]/survey/_survey/SurveyView';

export default function SurveyPage() {
  return <SurveyView />;
}
