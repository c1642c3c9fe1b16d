import { RecordView } from '@/components/RecordView';

export default function RecordPage() {
  return <RecordView />;
}
