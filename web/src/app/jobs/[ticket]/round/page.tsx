import { RoundView } from '@/round/RoundView';

export default function RoundPage() {
  return <RoundView />;
}
