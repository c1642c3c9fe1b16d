import { ticketOf } from '@holotonos/store';
import { eventStream } from '@/server/eventStream';
import { getGaugeHub } from '@/server/gaugeHub';
import { answering } from '@/server/replies';
import { getAnnouncer, getDb } from '@/server/store';

export const dynamic = 'force-dynamic';

/**
 * Server-sent events of everything: `entry` with its ticket, `shop`, `stock`, `reading` and `state` of the gauges. One stream
 * serves a whole browser; who hears of an entry fetches it.
 */
export const GET = (request: Request) =>
  answering(async () =>
    eventStream(request, async ({ send, end }) => {
      const stop = await getAnnouncer().listen(
        null,
        (written) => {
          if (written === 'shop' || written === 'stock') return send(written, {});
          void ticketOf(getDb(), written).then((ticket) => ticket !== null && send('entry', { ticket }), end);
        },
        end,
      );
      send('ready', {});
      const stopGauges = getGaugeHub().listen(({ event, data }) => send(event, data));
      return () => {
        stop();
        stopGauges();
      };
    }),
  );
