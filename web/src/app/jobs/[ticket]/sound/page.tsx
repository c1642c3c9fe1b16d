import { SoundView } from '@/app/jobs/[ticket]/sound/_sound/SoundView';

export default function SoundPage() {
  return <SoundView />;
}
