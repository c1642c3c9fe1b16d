import { CardView } from '@/plan/PlanView';

export default function CardPage() {
  return <CardView />;
}
