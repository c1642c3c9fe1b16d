import { StripDownView } from '@/app/jobs/[ticket]/strip/_stripdown/StripDownView';

export default function StripDownPage() {
  return <StripDownView />;
}
