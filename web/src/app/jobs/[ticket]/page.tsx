import { OverviewView } from '@/app/jobs/[ticket]/_overview/OverviewView';
import { earlierVisits } from '@/server/earlierVisits';

export default async function JobPage({ params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return <OverviewView earlier={await earlierVisits(ticket, new Date().toISOString())} />;
}
