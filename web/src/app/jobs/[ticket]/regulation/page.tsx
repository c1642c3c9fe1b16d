import { RegulationView } from '@/app/jobs/[ticket]/regulation/_regulation/RegulationView';

export default function RegulationPage() {
  return <RegulationView />;
}
