import { guidePicture } from '@/server/guide';
import { answering, notFound } from '@/server/replies';

export const GET = (_request: Request, { params }: { params: Promise<{ name: string }> }) =>
  answering(async () => {
    const picture = await guidePicture((await params).name);
    return picture
      ? new Response(new Uint8Array(picture), { headers: { 'content-type': 'image/png' } })
      : notFound('There is no such picture.');
  });
