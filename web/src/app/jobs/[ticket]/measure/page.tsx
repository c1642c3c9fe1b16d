import { MeasureView } from '@/app/jobs/[ticket]/measure/_measure/MeasureView';

export default function MeasurePage() {
  return <MeasureView />;
}
