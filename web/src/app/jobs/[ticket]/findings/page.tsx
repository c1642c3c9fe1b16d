import { FindingsView } from '@/app/jobs/[ticket]/findings/_findings/FindingsView';

export default function FindingsPage() {
  return <FindingsView />;
}
