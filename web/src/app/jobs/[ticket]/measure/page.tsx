import { MeasureView } from '@/components/MeasureView';

export default function MeasurePage() {
  return <MeasureView />;
}
