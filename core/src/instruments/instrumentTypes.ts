import type { InstrumentType } from './instrumentType.schema';
import { knowTypes } from './knownTypes';
import altoSaxophone from './types/alto-saxophone.json' with { type: 'json' };
import bFlatClarinet from './types/b-flat-clarinet.json' with { type: 'json' };
import baritoneSaxophone from './types/baritone-saxophone.json' with { type: 'json' };
import bassClarinet from './types/bass-clarinet.json' with { type: 'json' };
import concertFlute from './types/concert-flute.json' with { type: 'json' };
import oboe from './types/oboe.json' with { type: 'json' };
import piccolo from './types/piccolo.json' with { type: 'json' };
import simpleClarinet from './types/simple-clarinet.json' with { type: 'json' };
import sopranoSaxophone from './types/soprano-saxophone.json' with { type: 'json' };
import tenorSaxophone from './types/tenor-saxophone.json' with { type: 'json' };

/** The types that ship. Geometry is made up from what such instruments have in common; no maker's figures. */
export const shippedTypes = [
  concertFlute,
  piccolo,
  bFlatClarinet,
  simpleClarinet,
  bassClarinet,
  oboe,
  sopranoSaxophone,
  altoSaxophone,
  tenorSaxophone,
  baritoneSaxophone,
] as unknown as readonly InstrumentType[];

knowTypes(shippedTypes);
