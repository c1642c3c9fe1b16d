import { CardView } from '@/app/jobs/[ticket]/_plan/PlanView';

export default function CardPage() {
  return <CardView />;
}
