import { FindingsView } from '@/components/FindingsView';

export default function FindingsPage() {
  return <FindingsView />;
}
