import { strike, unreadable } from '../logbook';
import { arrival } from './arrival.kind';
import { item } from './item.kind';
import { move } from './move.kind';
import { offcut } from './offcut.kind';
import { order } from './order.kind';
import { spares } from './spares.kind';
import { usedBy } from './usedBy.kind';

/** What is written down of the drawers. Another kind is a file of its own and a line here. */
export const stockEntryKindTable = {
  'item': item,
  'move': move,
  'used-by': usedBy,
  'offcut': offcut,
  'spares': spares,
  'order': order,
  'arrival': arrival,
  'strike': strike,
  'unreadable': unreadable,
};
