import { OverviewView } from '@/components/OverviewView';

export default function JobPage() {
  return <OverviewView />;
}
