import 'server-only';
import {
  gaugeGate,
  type GateCounts,
  type GaugeReading,
  type InstrumentType,
  type MeasuringPoint,
} from '@holotonos/core';
import { announceAim, faultLine, type Aimed } from '@holotonos/store';
import { lineAdapter, type GaugeAdapter } from './gaugeAdapter';
import { loadJob } from './jobs';
import { getDb, onAimed } from './store';

/** What the bench asks for, told to devices that can use it. */
export interface GaugeAim {
  token: string;
  ticket: string;
  type: InstrumentType;
  point: MeasuringPoint;
}

export interface GaugeState extends GateCounts {
  /** how many of the places named in HOLOTONOS_GAUGES answer */
  connected: number;
  places: number;
}
export type GaugeEvent = { event: 'reading'; data: GaugeReading } | { event: 'state'; data: GaugeState };

/** State is told no more often than this, however fast lines come, ms. */
const stateEveryMs = 250;
/** Devices are let go when nobody has listened for so long, ms. */
const lingerMs = 5000;

interface Hub {
  listen: (onEvent: (event: GaugeEvent) => void) => () => void;
  aim: (aim: GaugeAim) => void;
}

/** Takes lines from every device, lets readings through the gate, and tells all pages that listen. */
function openHub(adapters: readonly GaugeAdapter[]): Hub {
  const gate = gaugeGate();
  const listeners = new Set<(event: GaugeEvent) => void>();
  const up = new Set<GaugeAdapter>();
  let stops: (() => void)[] = [];
  let timer: ReturnType<typeof setTimeout> | null = null;
  let linger: ReturnType<typeof setTimeout> | null = null;

  const tell = (event: GaugeEvent) => {
    for (const listener of listeners) listener(event);
  };
  const state = (): GaugeEvent => ({
    event: 'state',
    data: { ...gate.counts(), connected: up.size, places: adapters.length },
  });
  const tellState = () => {
    timer ??= setTimeout(() => {
      timer = null;
      tell(state());
    }, stateEveryMs);
  };
  const start = () => {
    stops = adapters.map((adapter) =>
      adapter.open({
        onLine: (line) => {
          const passed = gate.pass(line, Date.now());
          if ('reading' in passed) tell({ event: 'reading', data: passed.reading });
          tellState();
        },
        onUp: (is) => {
          if (is) up.add(adapter);
          else up.delete(adapter);
          tellState();
        },
      }),
    );
  };
  return {
    listen: (onEvent) => {
      if (linger) clearTimeout(linger);
      linger = null;
      listeners.add(onEvent);
      if (stops.length === 0) start();
      onEvent(state());
      return () => {
        listeners.delete(onEvent);
        if (listeners.size > 0) return;
        linger = setTimeout(() => {
          for (const stop of stops) stop();
          stops = [];
          up.clear();
        }, lingerMs);
        // A process that has nothing else to do does not stay for it.
        linger.unref();
      };
    },
    aim: (aim) => {
      for (const adapter of adapters) adapter.aim(aim);
    },
  };
}

/** One hub a process: each has its own connection to the devices, and each page hears through the process it reached. */
const kept = globalThis as { holotonosGauges?: Hub };

const places = (): GaugeAdapter[] =>
  (process.env.HOLOTONOS_GAUGES ?? '')
    .split(',')
    .map((place) => place.trim())
    .filter((place) => place !== '')
    .map(lineAdapter);

export function getGaugeHub(): Hub {
  if (!kept.holotonosGauges) {
    kept.holotonosGauges = openHub(places());
    onAimed((aimed) => void hearAim(aimed));
  }
  return kept.holotonosGauges;
}

/** The aim told last by this very process comes back as an announcement too. */
let ownToken: string | null = null;

/** A page asks for a point: told to the devices of this process at once, and to those of every other. */
export async function aimGauges({ type, ...aimed }: GaugeAim): Promise<void> {
  ownToken = aimed.token;
  getGaugeHub().aim({ ...aimed, type });
  await announceAim(getDb(), aimed);
}

/** An aim that was announced, by whichever process. */
async function hearAim(aimed: Aimed): Promise<void> {
  if (aimed.token === ownToken) return;
  try {
    const job = await loadJob(aimed.ticket);
    if (job) getGaugeHub().aim({ ...aimed, type: job.type });
  } catch (error) {
    // A device that is not told what is asked for still measures; its figure goes where the page looks.
    console.error(`An aim could not be passed on. ${faultLine(error)}`);
  }
}
