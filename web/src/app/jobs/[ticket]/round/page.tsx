import { RoundView } from '@/app/jobs/[ticket]/round/_round/RoundView';

export default function RoundPage() {
  return <RoundView />;
}
