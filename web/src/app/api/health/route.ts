import { answering } from '@/server/replies';
import { databaseAnswers } from '@/server/store';

export const dynamic = 'force-dynamic';

export const GET = () =>
  answering(async () => {
    await databaseAnswers();
    return Response.json({ app: 'holotonos' });
  });
