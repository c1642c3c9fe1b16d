import { moneyText, type EstimateState } from '../estimate';
import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { isOpenStep, type JobPlan, type PlanBasis } from '../plan';
import { jobRecord, jobStanding } from '../record';
import { printPhrase, printQuantity } from '../units';
import type { Stage } from '../vocabulary';
import type { OwnerLink } from './ownerLink.kind';

/** What the bench is at, for somebody who does not work there. */
const stageTold: Record<Stage, string> = {
  intake: 'It has come in and is being photographed.',
  survey: 'It is being looked over, part by part.',
  strip: 'It is being taken apart, every screw in its place.',
  free: 'What was stuck is being freed, and all of it cleaned.',
  body: 'The body is being set right: all else stands on it.',
  seams: 'Seams and posts are being made fast.',
  holes: 'The tone holes are being made level.',
  joints: 'The joints are being fitted.',
  keys: 'The keys are being fitted, one by one.',
  finish: 'Its surface is being seen to.',
  corks: 'Corks and felts are being renewed.',
  pads: 'The pads are going in.',
  assemble: 'It is being put together again.',
  regulate: 'Its keys are being set to work together.',
  tune: 'It is being tuned.',
  playtest: 'It is being played, note by note.',
  handover: 'It is being made ready to go home.',
};

/** How it goes, in a sentence. */
function stageOf({ steps, first }: JobPlan): string {
  if (first) return stageTold.survey;
  // One in hand, else the first that is not behind the bench.
  const step = steps.find(({ status }) => status === 'started') ?? steps.find(isOpenStep);
  return step ? stageTold[step.stage] : 'All work is done; it is being looked at once more.';
}

export interface OwnerPhoto {
  photo: string;
  width: number;
  height: number;
  caption: string;
}

/** What an owner was offered, in words; amounts as they were given. */
export interface OwnerOffer {
  estimate: string;
  title: string;
  /** it adds to what was agreed before */
  isChange: boolean;
  total: string;
  range: string;
  note: string;
  lines: { what: string; amount: string }[];
  leaves: { what: string; why: string }[];
  answer: { answer: 'accepted' | 'changed' | 'refused'; on: string; by: string; note: string } | null;
}

/** Everything an owner’s page shows. Nothing else of the job goes there. */
export interface OwnerView {
  ticket: string;
  instrument: string;
  owner: string;
  stage: string;
  /** steps done, of all */
  done: number;
  of: number;
  dueBy: string | null;
  photos: OwnerPhoto[];
  /** newest first */
  offers: OwnerOffer[];
  care: string[];
  record: null | {
    summary: string;
    by: string;
    at: string;
    checkUp: string | null;
    done: string[];
    given: string[];
    finish: string[];
    left: { what: string; why: string }[];
    figures: { what: string; before: string; after: string }[];
  };
}

/** Does this link open on this day? The last day counts. @param day as 2026-11-29, by the clock of the shop */
export const linkOpens = ({ until, over }: Pick<OwnerLink, 'until' | 'over'>, day: string): boolean =>
  !over && day <= until;

function offerOf({ estimate, answer }: EstimateState): OwnerOffer {
  const { title, changeOf, total, currency, lines, leaves, note = '', estimate: id } = estimate.body;
  const said = answer?.body;
  return {
    estimate: id,
    title,
    isChange: changeOf !== undefined,
    total: moneyText(total.likely, currency),
    range: `${moneyText(total.low, currency)} to ${moneyText(total.high, currency)}`,
    note,
    lines: lines.map(({ what, amount }) => ({ what, amount: moneyText(amount.likely, currency) })),
    leaves: leaves.map(({ what, why }) => ({ what, why })),
    answer: said ? { answer: said.answer, on: said.on, by: said.by ?? '', note: said.note ?? '' } : null,
  };
}

/**
 * What the owner of an instrument is shown of it, in plain words.
 *
 * @param photos those chosen for the owner; one that is no longer there is left out
 * @param now ISO 8601
 */
export function ownerView(
  state: JobState,
  type: InstrumentType,
  { photos }: Pick<OwnerLink, 'photos'>,
  now: string,
  basis: PlanBasis = {},
): OwnerView | null {
  const standing = jobStanding(state, type, now, basis);
  const record = jobRecord(state, type, now, basis, standing);
  const { intake, signOff, unit } = state;
  if (!intake || !record) return null;
  const { steps } = standing.plan;
  const made = [intake.maker, intake.made].filter(Boolean).join(', ');
  return {
    ticket: intake.ticket,
    instrument: made === '' ? type.name : `${type.name}, ${made}`,
    owner: intake.owner,
    stage: signOff ? 'It is done and can go home.' : stageOf(standing.plan),
    done: steps.filter((each) => !isOpenStep(each)).length,
    of: steps.length,
    dueBy: intake.dueBy ?? null,
    photos: photos.flatMap((id) => {
      const taken = state.photos.get(id);
      return taken ? [{ photo: id, width: taken.width, height: taken.height, caption: taken.caption }] : [];
    }),
    offers: [...state.estimates.values()].reverse().map(offerOf),
    care: record.ownerCautions,
    record: record.signOff && {
      ...record.signOff,
      done: record.done.map(({ title }) => title),
      given: record.given.map((line) => printPhrase(line, unit)),
      finish: record.finish,
      left: record.left,
      figures: record.figures.flatMap(({ place, what, before, after, unit: own }) =>
        before === null
          ? []
          : [
              {
                what: `${place}: ${what.toLowerCase()}`,
                before: printQuantity({ value: before.value, unit: own }, unit),
                after: printQuantity({ value: after.value, unit: own }, unit),
              },
            ],
      ),
    },
  };
}
