import { LookView } from '@/app/jobs/[ticket]/look/_look/LookView';

export default function LookPage() {
  return <LookView />;
}
