import { PitchView } from '@/app/jobs/[ticket]/sound/_sound/PitchView';

export default function PitchPage() {
  return <PitchView />;
}
