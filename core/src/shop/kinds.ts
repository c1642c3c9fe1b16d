import { strike, unreadable } from '../logbook';
import { benchOrder } from './benchOrder.kind';
import { caution } from './caution.kind';
import { cureRule } from './cureRule.kind';
import { gauge } from './gauge.kind';
import { gaugeCheck } from './gaugeCheck.kind';
import { hours } from './hours.kind';
import { lesson } from './lesson.kind';
import { lock } from './lock.kind';
import { operation } from './operation.kind';
import { person } from './person.kind';
import { practicePiece } from './practicePiece.kind';
import { price } from './price.kind';
import { profile } from './profile.kind';
import { rates } from './rates.kind';
import { rule } from './rule.kind';
import { sizes } from './sizes.kind';
import { springMaterial } from './springMaterial.kind';

/**
 * What the shop itself writes down, beside its jobs: its gauges and their zero checks, its own practices, work, rules
 * and cautions, its people and hours, what it charges, the sizes in its drawers, what its springs are made of, which of two jobs goes first,
 * how practice pieces went, when a bench locks, what it has learned and doubts, and what it wants otherwise of rules of regulation. Another kind is a file of its own
 * and a line here.
 */
export const shopKinds = {
  'gauge': gauge,
  'gauge-check': gaugeCheck,
  'profile': profile,
  'operation': operation,
  'cure-rule': cureRule,
  'caution': caution,
  'hours': hours,
  'person': person,
  'rates': rates,
  'price': price,
  'bench-order': benchOrder,
  'sizes': sizes,
  'spring-material': springMaterial,
  'practice-piece': practicePiece,
  'rule': rule,
  'lesson': lesson,
  'lock': lock,
  'strike': strike,
  'unreadable': unreadable,
};
