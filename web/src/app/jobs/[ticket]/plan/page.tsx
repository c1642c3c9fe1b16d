import { PlanView } from '@/app/jobs/[ticket]/_plan/PlanView';

export default function PlanPage() {
  return <PlanView />;
}
