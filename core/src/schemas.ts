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
import { bodySchemaName } from './logbook/envelope.schema';
import { conformityInput } from './metrology/conformity.schema';
import { seatInput } from './pads/seat.schema';
import { planInput } from './plan/plan.schema';
import { measuringPointSchema } from './readings/point.schema';
import { jobDocumentSchema } from './record/jobDocument.schema';
import { landingInput } from './regulation/landing.schema';
import { linkageInput } from './regulation/linkage.schema';
import { regulateInput } from './regulation/regulate.schema';
import { rimInput } from './rims/rim.schema';
import { scheduleInput } from './schedule/schedule.schema';
import { pitchInput } from './tuning/pitch.schema';
import { newShopEntrySchema, shopEntryBodies, storedShopEntrySchema } from './shop/shopEntry.schema';

/** The schemas of bodies, by the names their validators get. */
const named = (prefix: string, bodies: Readonly<Record<string, object>>) =>
  Object.fromEntries(Object.entries(bodies).map(([kind, schema]) => [bodySchemaName(prefix, kind), schema]));

/**
 * Every schema that is compiled to a validator at build time, by the name the validator gets. Schemas of bodies stand beside
 * code that asks those validators: while they are made, nothing of that code may run.
 */
export const compiledSchemas: Record<string, object> = {
  solver_conformity: conformityInput,
  solver_rim: rimInput,
  solver_seat: seatInput,
  solver_body_line: bodyLineInput,
  solver_bore: boreInput,
  solver_hinge: hingeInput,
  solver_joint: jointInput,
  solver_bushing: bushingInput,
  solver_spring: springInput,
  solver_cork: corkInput,
  solver_pad_choice: padChoiceInput,
  solver_linkage: linkageInput,
  solver_landing: landingInput,
  solver_regulate: regulateInput,
  solver_pitch: pitchInput,
  solver_plan: planInput,
  solver_schedule: scheduleInput,
  new_entry: newEntrySchema,
  stored_entry: storedEntrySchema,
  instrument_type: instrumentTypeSchema,
  job_document: jobDocumentSchema,
  measuring_point: measuringPointSchema,
  gauge_line: gaugeLineSchema,
  new_shop_entry: newShopEntrySchema,
  stored_shop_entry: storedShopEntrySchema,
  ...named('shop', shopEntryBodies),
  ...named('body', entryBodies),
};
