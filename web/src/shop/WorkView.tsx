'use client';

import {
  cautions,
  cautionWords,
  deferral,
  findingKinds,
  findingWords,
  measureGroups,
  shippedOperations,
  stages,
  type FindingKind,
  type OwnOperation,
  type ShopState,
  type Stage,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/client/bootstrap';
import { parseFigure } from '@/client/parseFigure';
import { useShop, type WriteShop } from '@/client/useShop';
import { FormEnd, idFrom } from './FormEnd';

const plainTitle = (title: string) => title.replace(/:?\s*\{part\}/, '');
const lines = (text: string) => text.split('\n').flatMap((line) => (line.trim() === '' ? [] : [line.trim()]));
const cautionIds = ({ cautions: own }: ShopState) => [
  ...Object.keys(cautions),
  ...own.map(({ id }) => id).filter((id) => !Object.hasOwn(cautions, id)),
];

function StepForm({
  shop,
  write,
  own,
  done,
}: {
  shop: ShopState;
  write: WriteShop;
  own: OwnOperation | null;
  done: () => void;
}) {
  const id = useId();
  const work = own?.work;
  const [title, setTitle] = useState(work ? plainTitle(work.title) : '');
  const [local, setLocal] = useState(work?.title.includes('{part}') ?? true);
  const [stage, setStage] = useState<Stage>(work?.stage ?? 'keys');
  const [minutes, setMinutes] = useState((work?.minutes ?? [10, 20, 40]).join(', '));
  const [wait, setWait] = useState(String(work?.unattended ?? 0));
  const [how, setHow] = useState(work?.how.join('\n') ?? '');
  const [tools, setTools] = useState(work?.tools.join(', ') ?? '');
  const [groups, setGroups] = useState<readonly string[]>(work?.disturbs.map((each) => each.split(':')[0] ?? '') ?? []);
  const [carried, setCarried] = useState<readonly string[]>(work?.cautions ?? []);
  const [always, setAlways] = useState(own?.standing !== undefined);
  const [problem, setProblem] = useState<string | null>(null);
  const toggle = (list: readonly string[], item: string, on: boolean) =>
    on ? [...list, item] : list.filter((each) => each !== item);
  const submit = async () => {
    const figures = minutes.split(/[,;]\s*|\s+/).map(parseFigure);
    const [low, likely, high] = figures;
    if (figures.length !== 3 || low == null || likely == null || high == null)
      return setProblem('Minutes: type three figures, such as 10, 20, 40.');
    const unattended = parseFigure(wait);
    if (unattended === null || unattended < 0) return setProblem('Then waits: type minutes, or 0.');
    const wrong = await write('operation', {
      id: own?.id ?? idFrom(title, 'step'),
      work: {
        stage,
        title: local ? `${title.trim()}: {part}` : title.trim(),
        minutes: [low, likely, high],
        unattended,
        disturbs: groups.map((group) => `${group}:${local ? '{part}' : '*'}`),
        needs: [],
        cautions: [...carried],
        tools: tools.split(',').flatMap((tool) => (tool.trim() === '' ? [] : [tool.trim()])),
        how: lines(how),
        reversible: false,
      },
      ...(always && { standing: { scope: 'overhaul' } }),
    });
    setProblem(wrong);
    if (wrong === null) done();
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <div className="shop-form">
        <div>
          <Form.Label htmlFor={`${id}-title`}>What is done</Form.Label>
          <Form.Control id={`${id}-title`} value={title} onChange={(event) => setTitle(event.target.value)} />
        </div>
        <div>
          <Form.Label htmlFor={`${id}-stage`}>Stage</Form.Label>
          <Form.Select id={`${id}-stage`} value={stage} onChange={(event) => setStage(event.target.value as Stage)}>
            {stages.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </Form.Select>
        </div>
        <div>
          <Form.Label htmlFor={`${id}-minutes`}>Minutes: low, likely, high</Form.Label>
          <Form.Control id={`${id}-minutes`} value={minutes} onChange={(event) => setMinutes(event.target.value)} />
        </div>
        <div>
          <Form.Label htmlFor={`${id}-wait`}>Then waits, minutes</Form.Label>
          <Form.Control id={`${id}-wait`} value={wait} onChange={(event) => setWait(event.target.value)} />
        </div>
        <div>
          <Form.Label htmlFor={`${id}-tools`}>Tools</Form.Label>
          <Form.Control id={`${id}-tools`} value={tools} onChange={(event) => setTools(event.target.value)} />
        </div>
      </div>
      <Form.Label htmlFor={`${id}-how`} className="mt-2">
        How, a line for each thing to mind
      </Form.Label>
      <Form.Control
        id={`${id}-how`}
        as="textarea"
        rows={3}
        value={how}
        onChange={(event) => setHow(event.target.value)}
      />
      <div className="d-flex flex-wrap gap-4 my-2">
        <Form.Check
          id={`${id}-local`}
          type="checkbox"
          label="Done on one part"
          checked={local}
          onChange={(event) => setLocal(event.target.checked)}
        />
        <Form.Check
          id={`${id}-always`}
          type="checkbox"
          label="In every overhaul"
          checked={always}
          onChange={(event) => setAlways(event.target.checked)}
        />
      </div>
      <fieldset className="mb-2">
        <legend className="fs-6 fw-bold">Makes stale</legend>
        <div className="d-flex flex-wrap gap-3">
          {measureGroups.map((group) => (
            <Form.Check
              key={group}
              id={`${id}-${group}`}
              type="checkbox"
              label={group}
              checked={groups.includes(group)}
              onChange={(event) => setGroups(toggle(groups, group, event.target.checked))}
            />
          ))}
        </div>
      </fieldset>
      <fieldset className="mb-2">
        <legend className="fs-6 fw-bold">Cautions that travel with it</legend>
        {cautionIds(shop).map((caution) => (
          <Form.Check
            key={caution}
            id={`${id}-c-${caution}`}
            type="checkbox"
            label={cautionWords(shop.cautions, caution).text}
            checked={carried.includes(caution)}
            onChange={(event) => setCarried(toggle(carried, caution, event.target.checked))}
          />
        ))}
      </fieldset>
      <FormEnd
        action="Keep this step"
        disabled={title.trim() === '' || lines(how).length === 0}
        onBack={done}
        problem={problem}
      />
    </form>
  );
}

/** Steps of the shop's own, with the place they have in the order. */
function OwnSteps({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const id = useId();
  const [open, setOpen] = useState<string | null>(null);
  const steps = shop.operations.filter(({ retired }) => !retired);
  return (
    <section className="sheet" aria-labelledby={`${id}-head`}>
      <div className="d-flex justify-content-between align-items-start gap-3">
        <h2 id={`${id}-head`}>Steps of our own</h2>
        <Button variant="quiet" onClick={() => setOpen('')}>
          Add a step
        </Button>
      </div>
      <p className="soft">
        The table that ships has {shippedOperations.size} kinds of step. One of the shop’s own takes its place in the
        order by its stage; a rule below can make it the cure of a finding.
      </p>
      {open !== null ? (
        <StepForm
          key={open}
          shop={shop}
          write={write}
          own={steps.find((step) => step.id === open) ?? null}
          done={() => setOpen(null)}
        />
      ) : (
        <ul className="list-plain mb-0">
          {steps.map((own) => (
            <li key={own.id} className="mb-1">
              <strong>{plainTitle(own.work.title)}</strong>{' '}
              <span className="soft">
                {own.work.stage}, {own.work.minutes.join(' to ')} min{own.standing ? ', in every overhaul' : ''}
              </span>{' '}
              <Button
                variant="quiet"
                aria-label={`Change ${plainTitle(own.work.title)}`}
                onClick={() => setOpen(own.id)}
              >
                Change
              </Button>{' '}
              <Button
                variant="quiet"
                aria-label={`Put away ${plainTitle(own.work.title)}`}
                onClick={() => void write('operation', { ...own, retired: true })}
              >
                Put away
              </Button>
            </li>
          ))}
          {steps.length === 0 && <li>None yet.</li>}
        </ul>
      )}
    </section>
  );
}

/** What the shop does about a kind of finding: comes before the rules that ship. */
function Rules({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const id = useId();
  const [finding, setFinding] = useState<FindingKind>('dent');
  const [step, setStep] = useState('');
  const [left, setLeft] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const rules = shop.cureRules.filter(({ retired }) => !retired);
  const own = shop.operations.filter(({ retired }) => !retired);
  const titleOf = (name: string) =>
    plainTitle(own.find((each) => each.id === name)?.work.title ?? shippedOperations.get(name)?.title ?? name);
  const submit = async () => {
    const rule = step === '' ? { finding, left: left.trim() } : { finding, operations: [step] };
    const wrong = await write('cure-rule', { id: `for-${finding}`, rule });
    setProblem(wrong);
    if (wrong === null) setLeft('');
  };
  return (
    <section className="sheet" aria-labelledby={`${id}-head`}>
      <h2 id={`${id}-head`}>What we do about a finding</h2>
      {rules.length > 0 && (
        <ul className="list-plain">
          {rules.map((each) => (
            <li key={each.id}>
              {findingWords[each.rule.finding].title}:{' '}
              {each.rule.operations?.map(titleOf).join(', ') ?? `left. ${each.rule.left ?? ''}`}{' '}
              <Button
                variant="quiet"
                aria-label={`As it ships again: ${findingWords[each.rule.finding].title}`}
                onClick={() => void write('cure-rule', { ...each, retired: true })}
              >
                As it ships again
              </Button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="shop-form"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <div>
          <Form.Label htmlFor={`${id}-finding`}>Finding</Form.Label>
          <Form.Select
            id={`${id}-finding`}
            value={finding}
            onChange={(event) => setFinding(event.target.value as FindingKind)}
          >
            {findingKinds.map((kind) => (
              <option key={kind} value={kind}>
                {findingWords[kind].title}
              </option>
            ))}
          </Form.Select>
        </div>
        <div>
          <Form.Label htmlFor={`${id}-step`}>We do</Form.Label>
          <Form.Select id={`${id}-step`} value={step} onChange={(event) => setStep(event.target.value)}>
            <option value="">nothing, and say why</option>
            {[...own.map((each) => each.id), ...shippedOperations.keys()].map((name) => (
              <option key={name} value={name}>
                {titleOf(name)}
              </option>
            ))}
          </Form.Select>
        </div>
        {step === '' && (
          <div>
            <Form.Label htmlFor={`${id}-left`}>Why it is left</Form.Label>
            <Form.Control id={`${id}-left`} value={left} onChange={(event) => setLeft(event.target.value)} />
          </div>
        )}
        <Button type="submit" className="align-self-end" disabled={step === '' && left.trim() === ''}>
          Keep this rule
        </Button>
        {problem !== null && (
          <p role="alert" className="say fault">
            {problem}
          </p>
        )}
      </form>
    </section>
  );
}

function CautionForm({
  id: caution,
  shop,
  write,
  done,
}: {
  id: string;
  shop: ShopState;
  write: WriteShop;
  done: () => void;
}) {
  const id = useId();
  const said = caution === '' ? null : cautionWords(shop.cautions, caution);
  const own = shop.cautions.find((each) => each.id === caution);
  const [text, setText] = useState(said?.text ?? '');
  const [reason, setReason] = useState('');
  const [step, setStep] = useState(own?.operations[0] ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    const wrong = await write('caution', {
      id: caution || idFrom(text.slice(0, 30), 'caution'),
      text: text.trim(),
      operations: step === '' ? [...(own?.operations ?? [])] : [step],
      reason: reason.trim(),
    });
    setProblem(wrong);
    if (wrong === null) done();
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <Form.Label htmlFor={`${id}-text`}>The caution in the shop’s words</Form.Label>
      <Form.Control
        id={`${id}-text`}
        as="textarea"
        rows={2}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {said?.shipped != null && <p className="soft mb-0">As it ships: {said.shipped}</p>}
      {said === null && (
        <>
          <Form.Label htmlFor={`${id}-step`}>Goes with the step</Form.Label>
          <Form.Select id={`${id}-step`} value={step} onChange={(event) => setStep(event.target.value)}>
            <option value="">choose</option>
            {[...shippedOperations].map(([name, { title }]) => (
              <option key={name} value={name}>
                {plainTitle(title)}
              </option>
            ))}
          </Form.Select>
        </>
      )}
      <Form.Label htmlFor={`${id}-why`}>Why it is worded so</Form.Label>
      <Form.Control id={`${id}-why`} value={reason} onChange={(event) => setReason(event.target.value)} />
      <FormEnd
        action="Keep these words"
        disabled={text.trim() === '' || reason.trim() === '' || (said === null && step === '')}
        onBack={done}
        problem={problem}
      />
    </form>
  );
}

/** Cautions in the shop's words. They can be put otherwise and added to; none can be taken away. */
function Cautions({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const id = useId();
  const [open, setOpen] = useState<string | null>(null);
  return (
    <section className="sheet" aria-labelledby={`${id}-head`}>
      <div className="d-flex justify-content-between align-items-start gap-3">
        <h2 id={`${id}-head`}>Cautions</h2>
        <Button variant="quiet" onClick={() => setOpen('')}>
          Add a caution
        </Button>
      </div>
      <p className="soft">
        Each can be put into the shop’s own words, with the reason. None can be taken away, and under every one stands:{' '}
        {deferral}
      </p>
      {open !== null ? (
        <CautionForm key={open} id={open} shop={shop} write={write} done={() => setOpen(null)} />
      ) : (
        <ul className="list-plain mb-0">
          {cautionIds(shop).map((caution) => {
            const { text, shipped, reason } = cautionWords(shop.cautions, caution);
            return (
              <li key={caution} className="mb-1">
                {text}{' '}
                {reason !== null && (
                  <span className="soft">
                    ({shipped === null ? 'our own' : 'our words'}: {reason}){' '}
                  </span>
                )}
                <Button variant="quiet" aria-label={`Word it otherwise: ${text}`} onClick={() => setOpen(caution)}>
                  Word it otherwise
                </Button>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

/** The shop's own steps, rules and cautions. */
export function WorkView({ first }: { first: ShopState }) {
  const { shop, write } = useShop(first);
  return (
    <>
      <OwnSteps shop={shop} write={write} />
      <Rules shop={shop} write={write} />
      <Cautions shop={shop} write={write} />
    </>
  );
}
