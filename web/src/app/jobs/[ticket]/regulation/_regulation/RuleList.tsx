'use client';

import { length, mmPerUnit, printQuantity, shopRules, type RuleChange, type WorkedRule } from '@holotonos/core';
import { useId, useState } from 'react';
import { readFigure } from '@/figure/groups';
import { useJob } from '@/job/JobContext';
import type { RegulationDesk } from '@/regulation/useRegulation';
import { useShopWrite } from '@/shop/useShop';
import { Button, Form } from '@/ui/bootstrap';

type Scope = 'job' | 'shop';

/** One rule asked otherwise: its rank, from where to where it holds, or not at all; here, or for every instrument of the type. */
function RuleForm({ desk, worked, done }: { desk: RegulationDesk; worked: WorkedRule; done: () => void }) {
  const { type, unit } = desk;
  const { write } = useJob();
  const writeShop = useShopWrite();
  const id = useId();
  const { rule, words } = worked;
  const figure = (mm: number) => String(Math.round((mm / mmPerUnit[unit]) * 1000) / 1000);
  const range = rule.kind === 'seal' ? null : rule.range;
  const [scope, setScope] = useState<Scope>('job');
  const [asked, setAsked] = useState(worked.change?.asked !== false);
  const [rank, setRank] = useState(String(rule.rank));
  const [low, setLow] = useState(range ? figure(range[0] ?? 0) : '');
  const [high, setHigh] = useState(range ? figure(range[1] ?? 0) : '');
  const [text, setText] = useState(words);
  const [reason, setReason] = useState(worked.change?.reason ?? '');
  const [problem, setProblem] = useState('');
  const send = async (change: Omit<RuleChange, 'accepted'>) => {
    if (scope === 'job') return write('rule', change) ? done() : setProblem('It was not taken.');
    const wrong = await writeShop('rule', { instrument: type.id, ...change });
    if (wrong !== null) return setProblem(wrong);
    done();
  };
  const submit = () => {
    if (reason.trim() === '') return setProblem('Say why: whoever comes after you will want to know.');
    if (!asked) return void send({ rule: rule.id, asked, reason });
    if (text.trim() === '') return setProblem('A rule needs words.');
    const read = range && [low, high].map((each) => readFigure(each, 'lateness', unit));
    const wrong = read?.find((each) => !each.ok);
    if (wrong && !wrong.ok) return setProblem(wrong.problem);
    const [from = 0, to = 0] = read?.flatMap((each) => (each.ok ? [each.value] : [])) ?? [];
    if (from > to) return setProblem('The smaller figure comes first.');
    void send({
      rule: rule.id,
      rank: Number(rank),
      ...(read && { range: [from, to] }),
      // What was worded otherwise before is said again: the newest change counts alone.
      ...((text.trim() !== words || worked.change?.words !== undefined) && { words: text.trim() }),
      reason,
    });
  };
  return (
    <form
      className="rule-form"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Form.Check
        type="checkbox"
        id={`${id}-asked`}
        label="It is asked"
        checked={asked}
        onChange={(event) => setAsked(event.target.checked)}
      />
      {asked && (
        <>
          <Form.Label htmlFor={`${id}-words`}>In words</Form.Label>
          <Form.Control
            id={`${id}-words`}
            maxLength={300}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <div className="d-flex flex-wrap gap-2">
            <div>
              <Form.Label htmlFor={`${id}-rank`}>Rank, 1 gives way last</Form.Label>
              <Form.Select id={`${id}-rank`} value={rank} onChange={(event) => setRank(event.target.value)}>
                {[1, 2, 3, 4, 5, 6, 7, 8, 9].map((each) => (
                  <option key={each}>{each}</option>
                ))}
              </Form.Select>
            </div>
            {range && (
              <>
                <div>
                  <Form.Label htmlFor={`${id}-low`}>Holds from, {unit}</Form.Label>
                  <Form.Control
                    id={`${id}-low`}
                    inputMode="decimal"
                    value={low}
                    onChange={(event) => setLow(event.target.value)}
                  />
                </div>
                <div>
                  <Form.Label htmlFor={`${id}-high`}>to, {unit}</Form.Label>
                  <Form.Control
                    id={`${id}-high`}
                    inputMode="decimal"
                    value={high}
                    onChange={(event) => setHigh(event.target.value)}
                  />
                </div>
              </>
            )}
          </div>
        </>
      )}
      <Form.Label htmlFor={`${id}-reason`}>Why</Form.Label>
      <Form.Control
        id={`${id}-reason`}
        maxLength={400}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
      <fieldset className="my-2">
        <legend className="visually-hidden">Where it is asked so</legend>
        <Form.Check
          type="radio"
          name={`${id}-scope`}
          id={`${id}-job`}
          label="In this job"
          checked={scope === 'job'}
          onChange={() => setScope('job')}
        />
        <Form.Check
          type="radio"
          name={`${id}-scope`}
          id={`${id}-shop`}
          label={`In this shop, for every ${type.id.replaceAll('-', ' ')}`}
          checked={scope === 'shop'}
          onChange={() => setScope('shop')}
        />
      </fieldset>
      <p className="text-danger mb-2" role="alert">
        {problem}
      </p>
      <div className="d-flex gap-2">
        <Button type="submit">Keep it so</Button>
        <Button variant="quiet" onClick={done}>
          Back
        </Button>
      </div>
    </form>
  );
}

/** Every rule that is asked, in the order they give way, and those nothing is asked of; each can be wanted otherwise. */
export function RuleList({ desk }: { desk: RegulationDesk }) {
  const { regulation, unit, type } = desk;
  const { write, state, shop } = useJob();
  const [shown, setShown] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const figure = (value: number) => printQuantity(length(value), unit);
  const inShop = new Set(shopRules(shop, type.id).map(({ rule }) => rule));
  const row = (worked: WorkedRule, asked: boolean) => {
    const { rule, words, change } = worked;
    return (
      <li key={rule.id}>
        {open === rule.id ? (
          <RuleForm desk={desk} worked={worked} done={() => setOpen(null)} />
        ) : (
          <div className="rule-row">
            <span>
              <span className="soft">{asked ? rule.rank : 'not asked'}</span> {words}{' '}
              {rule.kind !== 'seal' && asked && (
                <span className="soft">
                  {figure(rule.range[0] ?? 0)} to {figure(rule.range[1] ?? 0)}
                </span>
              )}{' '}
              {change && (
                <span className="soft">
                  {change.accepted
                    ? 'Left as a compromise'
                    : inShop.has(rule.id) && !state.ruleChanges.has(rule.id)
                      ? 'The shop wants it so'
                      : 'Changed here'}
                  : {change.reason}
                </span>
              )}
            </span>
            <span className="d-flex gap-1">
              <Button variant="quiet" aria-label={`Change: ${words}`} onClick={() => setOpen(rule.id)}>
                Change
              </Button>
              {state.ruleChanges.has(rule.id) && (
                <Button
                  variant="quiet"
                  aria-label={`As it was: ${words}`}
                  onClick={() => write('rule', { rule: rule.id, withdrawn: true, reason: 'as it was' })}
                >
                  As it was
                </Button>
              )}
            </span>
          </div>
        )}
      </li>
    );
  };
  return (
    <details className="sheet mb-0" open={shown} onToggle={(event) => setShown(event.currentTarget.open)}>
      <summary>All rules, in the order they give way</summary>
      <ul className="list-plain rule-list mt-2 mb-0">
        {regulation.rules.map((rule) => row(rule, true))}
        {regulation.unasked.map((rule) => row(rule, false))}
      </ul>
    </details>
  );
}
