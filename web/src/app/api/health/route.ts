import { listJobs } from '@holotonos/store';
import { answering } from '@/server/replies';
import { getDb } from '@/server/store';

export const dynamic = 'force-dynamic';

export const GET = () =>
  answering(async () => {
    await listJobs(getDb(), 1);
    return Response.json({ app: 'holotonos' });
  });
