import { TuningView } from '@/app/jobs/[ticket]/sound/_sound/TuningView';

export default function TuningPage() {
  return <TuningView />;
}
