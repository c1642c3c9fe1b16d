import { bodyLineInput } from './body/bodyLine.schema';
import { boreInput } from './bore/bore.schema';
import { corkInput } from './corks/cork.schema';
import { padChoiceInput } from './pads/padChoice.schema';
import { springInput } from './springs/spring.schema';
import { bushingInput } from './bushing/bushing.schema';
import { gaugeLineSchema } from './devices/gaugeLine.schema';
import { hingeInput } from './hinges/hinge.schema';
import { jointInput } from './joints/joint.schema';
import { entryBodies, newEntrySchema, storedEntrySchema } from './job/entry.schema';
import { instrumentTypeSchema } from './instruments/instrumentType.schema';
import { conformityInput } from './metrology/conformity.schema';
import { seatInput } from './pads/seat.schema';
import { planInput } from './plan/plan.schema';
import { measuringPointSchema } from './readings/point.schema';
import { jobDocumentSchema } from './record/jobDocument.schema';
import { landingInput } from './regulation/landing.schema';
import { linkageInput } from './regulation/linkage.schema';
import { regulateInput } from './regulation/regulate.schema';
import { pieceSchema } from './practicePieces/piece.schema';
import { rimInput } from './rims/rim.schema';
import { scheduleInput } from './schedule/schedule.schema';
import { pitchInput } from './tuning/pitch.schema';
import { tuneInput } from './tuning/tune.schema';
import { newStockEntrySchema, stockEntryBodies, storedStockEntrySchema } from './stock/stockEntry.schema';
import { newShopEntrySchema, shopEntryBodies, storedShopEntrySchema } from './shop/shopEntry.schema';

/** By names a module can export. */
const exported = (schemas: Readonly<Record<string, object>>) =>
  Object.fromEntries(Object.entries(schemas).map(([name, schema]) => [name.replaceAll('-', '_'), schema]));

/**
 * Every schema that is compiled to a validator at build time: one module a group, so that a page carries the checks it
 * makes and no others. Schemas of bodies stand beside code that asks those validators: while they are made, nothing of
 * that code may run.
 */
export const compiledSchemas: Readonly<Record<string, Readonly<Record<string, object>>>> = {
  solvers: exported({
    'conformity': conformityInput,
    'rim': rimInput,
    'seat': seatInput,
    'body-line': bodyLineInput,
    'bore': boreInput,
    'hinge': hingeInput,
    'joint': jointInput,
    'bushing': bushingInput,
    'spring': springInput,
    'cork': corkInput,
    'pad-choice': padChoiceInput,
    'linkage': linkageInput,
    'landing': landingInput,
    'regulate': regulateInput,
    'pitch': pitchInput,
    'tune': tuneInput,
    'plan': planInput,
    'schedule': scheduleInput,
  }),
  // An intake brings a type with it, and a change of an instrument has its rows: one module, so that they are compiled once.
  entries: exported({
    new_entry: newEntrySchema,
    stored_entry: storedEntrySchema,
    instrument_type: instrumentTypeSchema,
    ...entryBodies,
  }),
  shop: exported({ new_entry: newShopEntrySchema, stored_entry: storedShopEntrySchema, ...shopEntryBodies }),
  stock: exported({ new_entry: newStockEntrySchema, stored_entry: storedStockEntrySchema, ...stockEntryBodies }),
  documents: { job_document: jobDocumentSchema },
  pieces: { practice_piece: pieceSchema },
  gauges: { gauge_line: gaugeLineSchema, measuring_point: measuringPointSchema },
};
