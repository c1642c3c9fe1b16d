'use client';

import {
  changeToAgree,
  currencyOf,
  estimateOptions,
  moneyText,
  type EstimateDraft,
  type EstimateOption,
  type EstimateState,
} from '@holotonos/core';
import { ForThose } from '@/frame/ForThose';
import { Link } from '@/ui/Link';
import { useMemo } from 'react';
import { v4 as newId } from 'uuid';
import { Button } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { minutesText } from '@/ui/words';
import { Bands } from '@/job/JobShell';
import { BeforeSteps } from '@/job/BeforeSteps';
import { AnswerForm } from './AnswerForm';
import { CostsForm } from './CostsForm';
import { OwnerLinks } from './OwnerLinks';
import { useWhen } from '@/frame/BenchContext';

const kindWords = { labour: 'Work', part: 'Parts', material: 'Materials', outside: 'Work outside' } as const;
const kinds = ['labour', 'material', 'part', 'outside'] as const;

/** The options side by side: hours, what each kind of cost comes to, the total with its range, what each leaves. */
function Options({ options, give }: { options: EstimateOption[]; give: (draft: EstimateDraft) => void }) {
  const sum = ({ lines }: EstimateDraft, kind: (typeof kinds)[number]) =>
    lines.filter((line) => line.kind === kind).reduce((total, { amount }) => total + amount.likely, 0);
  return (
    <div className="table-wide">
      <table className="readings options">
        <caption className="visually-hidden">Ways the job could be done</caption>
        <thead>
          <tr>
            <th scope="col">
              <span className="visually-hidden">What</span>
            </th>
            {options.map(({ key, draft, current }) => (
              <th key={key} scope="col">
                {draft.title}
                {current && <span className="soft"> (as set)</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Hours</th>
            {options.map(({ key, draft: { minutes } }) => (
              <td key={key}>
                {minutesText(minutes.likely)}
                <div className="soft">
                  {minutesText(minutes.low)} to {minutesText(minutes.high)}
                </div>
              </td>
            ))}
          </tr>
          {kinds.map((kind) => (
            <tr key={kind}>
              <th scope="row">{kindWords[kind]}</th>
              {options.map(({ key, draft }) => (
                <td key={key}>{moneyText(sum(draft, kind), draft.currency)}</td>
              ))}
            </tr>
          ))}
          <tr>
            <th scope="row">With {options[0]?.draft.taxPercent} % tax</th>
            {options.map(({ key, draft: { total, currency } }) => (
              <td key={key}>
                <strong>{moneyText(total.likely, currency)}</strong>
                <div className="soft">
                  {moneyText(total.low, currency)} to {moneyText(total.high, currency)}
                </div>
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">Left as it is</th>
            {options.map(({ key, draft: { leaves } }) => (
              <td key={key}>
                {leaves.length === 0 ? 'Nothing' : leaves.map(({ what }) => <div key={what}>{what}</div>)}
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">For whom</th>
            {options.map(({ key, holds, draft }) => (
              <td key={key}>
                <div className="soft mb-2">{holds}</div>
                <Button variant="quiet" aria-label={`Offer this: ${draft.title}`} onClick={() => give(draft)}>
                  Offer this
                </Button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}

const answerWords = { accepted: 'Accepted', changed: 'Accepted with changes', refused: 'Refused' } as const;

function Given({ given }: { given: EstimateState }) {
  const { dayText } = useWhen();
  const { ticket } = useJob();
  const { body, benchTime } = given.estimate;
  const answer = given.answer?.body;
  return (
    <li className="sheet">
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <strong>{body.title}</strong>
        <span>{moneyText(body.total.likely, body.currency)}</span>
        <span className="soft">
          {moneyText(body.total.low, body.currency)} to {moneyText(body.total.high, body.currency)} · offered{' '}
          {dayText(benchTime)}
        </span>
        <a className="ms-auto" href={`/api/v1/jobs/${ticket}/estimate.pdf?estimate=${body.estimate}`}>
          PDF for the owner
        </a>
      </div>
      {body.note && <p className="mb-1">{body.note}</p>}
      {answer ? (
        <p className={`say mb-0 ${answer.answer === 'refused' ? 'attention' : 'sound'}`}>
          {answerWords[answer.answer]} on {dayText(answer.on)}
          {answer.by ? ` by ${answer.by}` : ''}.{answer.note ? ` ${answer.note}` : ''}
          {answer.without && answer.without.length > 0 ? ` Without ${answer.without.length} steps.` : ''}
        </p>
      ) : (
        <AnswerForm estimate={given.estimate} />
      )}
    </li>
  );
}

/** What the job comes to, in several ways; what the owner was offered and said; what has come up since. */
export function EstimateView() {
  const { state, type, shop, plan, write } = useJob();
  const options = useMemo(() => estimateOptions(state, type, shop), [state, type, shop]);
  const change = useMemo(() => changeToAgree(state, type, shop, plan), [state, type, shop, plan]);
  const given = [...state.estimates.values()].reverse();
  const waiting = given.find(({ answer }) => answer === null);
  const give = (draft: EstimateDraft) => write('estimate', { estimate: newId(), ...draft });
  const changeOffered = waiting?.estimate.body.changeOf !== undefined;
  return (
    <Bands
      work={
        <>
          <h2>Estimate and agreement</h2>
          <BeforeSteps>“as set” costs only what ends every job, until a finding is confirmed.</BeforeSteps>
          {options.length === 0 && (
            <p className="say attention">
              Nobody has said what an hour costs here. <Link href="/shop/people">Set the rates of the shop</Link> and
              the estimate is worked out from the plan.
            </p>
          )}
          <ForThose act="money">
            {change && !changeOffered && (
              <section className="say attention mb-3" aria-labelledby="change-head" data-testid="change">
                <h3 id="change-head">A change to agree before work goes on</h3>
                {change.because.length > 0 && <p className="mb-1">Found since: {change.because.join('; ')}.</p>}
                <p className="mb-1">
                  About {minutesText(change.draft.minutes.likely)} more,{' '}
                  <strong>{moneyText(change.draft.total.likely, change.draft.currency)}</strong> with tax (
                  {moneyText(change.draft.total.low, change.draft.currency)} to{' '}
                  {moneyText(change.draft.total.high, change.draft.currency)}).
                </p>
                {change.again.length > 0 && (
                  <p className="mb-1">
                    Counted in: looking again at {change.again.map(({ title }) => title.toLowerCase()).join('; ')}.
                  </p>
                )}
                <Button onClick={() => give(change.draft)}>Offer the change to the owner</Button>
              </section>
            )}
            {given.length > 0 && (
              <section aria-label="Offered">
                <h3>Offered</h3>
                <ol className="list-plain">
                  {given.map((each) => (
                    <Given key={each.estimate.id} given={each} />
                  ))}
                </ol>
              </section>
            )}
            {options.length > 0 && (
              <section aria-label="Ways to do it" className="sheet">
                <h3>Ways to do it, side by side</h3>
                <Options options={options} give={give} />
              </section>
            )}
            <CostsForm currency={currencyOf(shop)} />
            <OwnerLinks />
          </ForThose>
        </>
      }
      says={
        <div className="readout-plain">
          <span className="soft">Owner</span>
          <span className="next">
            {change && !changeOffered
              ? 'A change to agree'
              : waiting
                ? 'Waits for an answer'
                : given.length > 0
                  ? 'Agreed as far as it goes'
                  : 'Nothing offered yet'}
          </span>
        </div>
      }
    />
  );
}
