import { RecordView } from '@/app/jobs/[ticket]/record/_record/RecordView';

export default function RecordPage() {
  return <RecordView />;
}
