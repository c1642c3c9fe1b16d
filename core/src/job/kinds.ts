import { corkPoint } from '../corkSet/corkPoint.kind';
import { pass } from '../corrections/pass.kind';
import { passAside } from '../corrections/passAside.kind';
import { agreement } from '../estimate/agreement.kind';
import { cost } from '../estimate/cost.kind';
import { estimate } from '../estimate/estimate.kind';
import { finding } from '../findings/finding.kind';
import { instrumentChange } from '../instruments/instrumentChange.kind';
import { strike, unreadable, type StrikeBody, type UnreadableBody } from '../logbook';
import { chosen } from '../materials/chosen.kind';
import { shims } from '../padSet/shims.kind';
import { operationDone } from '../plan/operationDone.kind';
import { operationSkipped } from '../plan/operationSkipped.kind';
import { operationStarted } from '../plan/operationStarted.kind';
import { planChange } from '../plan/planChange.kind';
import { timer } from '../plan/timer.kind';
import { practiceChange } from '../practice/practiceChange.kind';
import { tolerances } from '../practice/tolerances.kind';
import { reading } from '../readings/reading.kind';
import { tick } from '../readings/tick.kind';
import { adjustment } from '../regulation/adjustment.kind';
import { rule } from '../regulation/rule.kind';
import { round } from '../rounds/round.kind';
import { roundOver } from '../rounds/roundOver.kind';
import { roundSkip } from '../rounds/roundSkip.kind';
import { played } from '../sound/played.kind';
import { tested } from '../sound/tested.kind';
import { postBush } from '../bushing/postBush.kind';
import { ownerLink } from '../ownerPage/ownerLink.kind';
import { lookAsked } from '../masterLook/lookAsked.kind';
import { lookGiven } from '../masterLook/lookGiven.kind';
import { sameInstrumentAs } from '../memory/sameInstrument.kind';
import { reminder } from '../memory/reminder.kind';
import { ownerLinkOver } from '../ownerPage/ownerLinkOver.kind';
import { springSet } from '../springSet/springSet.kind';
import { board } from '../stripdown/board.kind';
import { namedOff } from '../stripdown/namedOff.kind';
import { partOff } from '../stripdown/partOff.kind';
import { partOn } from '../stripdown/partOn.kind';
import { partPlaced } from '../stripdown/partPlaced.kind';
import { soak } from '../stripdown/soak.kind';
import { soakOver } from '../stripdown/soakOver.kind';
import { observation } from '../survey/observation.kind';
import { survey } from '../survey/survey.kind';
import { decision } from './decision.kind';
import { intake } from './intake.kind';
import type { JobKind } from './kind';
import { note } from './note.kind';
import { photo } from './photo.kind';
import { photoMarks } from './photoMarks.kind';
import { signOff } from './signOff.kind';
import { time } from './time.kind';

/** Every kind of entry the logbook of a job knows. Another one is a file of its own and a line here. */
export const jobKinds = {
  'intake': intake,
  'reading': reading,
  'tick': tick,
  'finding': finding,
  'operation-started': operationStarted,
  'operation-done': operationDone,
  'operation-skipped': operationSkipped,
  'note': note,
  'decision': decision,
  'practice-change': practiceChange,
  'tolerances': tolerances,
  'pass': pass,
  'pass-aside': passAside,
  'adjustment': adjustment,
  'rule': rule,
  'round': round,
  'round-skip': roundSkip,
  'round-over': roundOver,
  'plan-change': planChange,
  'timer': timer,
  'chosen': chosen,
  'shims': shims,
  'cork-point': corkPoint,
  'spring-set': springSet,
  'post-bush': postBush,
  'played': played,
  'tested': tested,
  'cost': cost,
  'estimate': estimate,
  'agreement': agreement,
  'owner-link': ownerLink,
  'owner-link-over': ownerLinkOver,
  'time': time,
  'instrument-change': instrumentChange,
  'survey': survey,
  'observation': observation,
  'board': board,
  'part-off': partOff,
  'named-off': namedOff,
  'part-placed': partPlaced,
  'part-on': partOn,
  'soak': soak,
  'soak-over': soakOver,
  'photo': photo,
  'photo-marks': photoMarks,
  'same-instrument': sameInstrumentAs,
  'look-asked': lookAsked,
  'look-given': lookGiven,
  'sign-off': signOff,
  'reminder': reminder,
  // Both belong to every logbook. A strike turns the plan where what it takes back did.
  'strike': { ...strike, turnsPlan: true, afterSignOff: true } as JobKind<'strike', StrikeBody>,
  'unreadable': { ...unreadable, turnsPlan: false } as JobKind<'unreadable', UnreadableBody>,
};
