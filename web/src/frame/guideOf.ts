import { stageAt } from '@/job/jobPages';
import { isOfJob } from './isOfJob';

/** Pages of the shop that have something of their own to read. */
const ofShop: Readonly<Record<string, string>> = {
  '': 'shop',
  'tickets': 'ticket',
  'types': 'ticket',
  'pieces': 'fit',
  'find': 'decide',
  'check-ups': 'record',
};

/** The page of the guide that belongs to an address of the app. */
export function guideOf(address: string): string {
  const stage = isOfJob(address) ? stageAt(address) : null;
  return `/guide/${stage ? stage.name.toLowerCase() : (ofShop[address.split('/')[1] ?? ''] ?? 'shop')}`;
}
