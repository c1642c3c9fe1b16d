import { eventStream } from '@/server/eventStream';
import { getGaugeHub } from '@/server/gaugeHub';

export const dynamic = 'force-dynamic';

/** Server-sent events: `reading` for each figure a device sends, `state` for who is there and what was kept out. */
export const GET = (request: Request): Response =>
  eventStream(request, ({ send }) => getGaugeHub().listen(({ event, data }) => send(event, data)));
