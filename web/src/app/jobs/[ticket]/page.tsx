import { OverviewView } from '@/app/jobs/[ticket]/_overview/OverviewView';

export default function JobPage() {
  return <OverviewView />;
}
