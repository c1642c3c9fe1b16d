import { PlanView } from '@/plan/PlanView';

export default function PlanPage() {
  return <PlanView />;
}
