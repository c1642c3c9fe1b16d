/** A page of a job: where it lies under the ticket, what it is called, and the digit that goes there with Alt held. */
export interface JobPage {
  path: string;
  name: string;
  digit?: string;
}
/** A stage of the work, in the order in which an instrument goes through the shop. */
export interface JobStage {
  name: string;
  pages: readonly JobPage[];
}

export const jobStages: readonly JobStage[] = [
  {
    name: 'Ticket',
    pages: [
      { path: '', name: 'Job', digit: '1' },
      { path: 'instrument', name: 'Instrument' },
    ],
  },
  {
    name: 'Look',
    pages: [
      { path: 'survey', name: 'Survey', digit: '2' },
      { path: 'strip', name: 'Strip-down', digit: '3' },
      { path: 'look', name: 'Look over' },
    ],
  },
  {
    name: 'Measure',
    pages: [
      { path: 'measure', name: 'Measure', digit: '4' },
      { path: 'round', name: 'Rounds' },
    ],
  },
  {
    name: 'Decide',
    pages: [
      { path: 'findings', name: 'Findings', digit: '5' },
      { path: 'plan', name: 'Plan', digit: '6' },
      { path: 'estimate', name: 'Estimate' },
    ],
  },
  {
    name: 'Fit',
    pages: [
      { path: 'pads', name: 'Pads, springs', digit: '7' },
      { path: 'regulation', name: 'Regulation', digit: '8' },
      { path: 'sound', name: 'Sound', digit: '9' },
    ],
  },
  { name: 'Record', pages: [{ path: 'record', name: 'Record', digit: '0' }] },
];

/** The address of a page of a job. */
export const addressOf = (ticket: string, { path }: JobPage): string =>
  path === '' ? `/jobs/${ticket}` : `/jobs/${ticket}/${path}`;

/** Which page an address of a job belongs to; a page’s own sub-pages are its own. A step’s card is a page of the plan. */
export function pageAt(address: string): JobPage | null {
  const first = address.split('/').filter(Boolean)[2] ?? '';
  const path = first === 'card' ? 'plan' : first;
  return jobStages.flatMap(({ pages }) => pages).find((page) => page.path === path) ?? null;
}

/** The stage an address of a job belongs to. */
export const stageAt = (address: string): JobStage | null => {
  const page = pageAt(address);
  return jobStages.find(({ pages }) => page !== null && pages.includes(page)) ?? null;
};

/** The page a digit goes to. */
export const pageOfDigit = (digit: string): JobPage | null =>
  jobStages.flatMap(({ pages }) => pages).find((page) => page.digit === digit) ?? null;

/** The pages of a job that are wanted every day: those with a digit. */
export const pagesOf = (ticket: string): string[] =>
  jobStages.flatMap(({ pages }) => pages.filter(({ digit }) => digit).map((page) => addressOf(ticket, page)));
