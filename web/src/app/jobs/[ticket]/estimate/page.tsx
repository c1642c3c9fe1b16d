import { EstimateView } from '@/app/jobs/[ticket]/estimate/_estimate/EstimateView';

export default function EstimatePage() {
  return <EstimateView />;
}
