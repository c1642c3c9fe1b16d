import { EstimateView } from '@/estimate/EstimateView';

export default function EstimatePage() {
  return <EstimateView />;
}
