import { PlanView } from '@/components/PlanView';

export default function PlanPage() {
  return <PlanView />;
}
