import { MeasureView } from '@/measure/MeasureView';

export default function MeasurePage() {
  return <MeasureView />;
}
