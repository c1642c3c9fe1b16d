'use client';

import {
  parseNumber,
  freshId,
  idsOf,
  inUse,
  cautionWords,
  measureGroups,
  shippedOperations,
  stages,
  type MeasureGroup,
  type OwnOperation,
  type ShopState,
  type Stage,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { Form } from '@/ui/bootstrap';
import type { WriteShop } from '@/shop/useShop';
import { FormEnd } from '@/ui/FormEnd';
import { ChoiceField, ShopRow, ShopSection, TextField, TickField } from '@/ui/fields';
import { cautionIds } from './CautionsSection';
import { plainTitle } from '@/shop/stepTitle';

/** What is typed between these, without blanks. */
const parts = (text: string, between: string) =>
  text.split(between).flatMap((part) => (part.trim() === '' ? [] : [part.trim()]));

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
  const [groups, setGroups] = useState(
    measureGroups.filter((group) => work?.disturbs.some((measure) => measure.startsWith(`${group}:`))),
  );
  const [carried, setCarried] = useState<string[]>([...(work?.cautions ?? [])]);
  const [always, setAlways] = useState(own?.standing !== undefined);
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    const figures = parts(minutes, ',').map(parseNumber);
    const [low, likely, high] = figures;
    if (figures.length !== 3 || low == null || likely == null || high == null)
      return setProblem('Minutes: type three figures, such as 10, 20, 40.');
    const unattended = parseNumber(wait);
    if (unattended === null || unattended < 0) return setProblem('Then waits: type minutes, or 0.');
    const wrong = await write('operation', {
      id: own?.id ?? freshId(title, 'step', [...shippedOperations.keys(), ...idsOf(shop.operations)]),
      work: {
        stage,
        title: local ? `${title.trim()}: {part}` : title.trim(),
        minutes: [low, likely, high],
        unattended,
        disturbs: groups.map((group) => `${group}:${local ? '{part}' : '*'}`),
        needs: [],
        cautions: carried,
        tools: parts(tools, ','),
        how: parts(how, '\n'),
        reversible: false,
      },
      ...(always && { standing: { scope: 'overhaul' } }),
    });
    setProblem(wrong);
    if (wrong === null) done();
  };
  const ticks = [
    ['Done on one part', local, setLocal],
    ['In every overhaul', always, setAlways],
  ] as const;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <div className="shop-form">
        <TextField label="What is done" value={title} set={setTitle} />
        <ChoiceField
          label="Stage"
          name="stage"
          value={stage}
          set={setStage}
          choices={stages.map((each) => [each, each])}
        />
        <TextField label="Minutes: low, likely, high" value={minutes} set={setMinutes} />
        <TextField label="Then waits, minutes" inputMode="decimal" value={wait} set={setWait} />
        <TextField label="Tools" value={tools} set={setTools} />
      </div>
      <TextField label="How, a line for each thing to mind" rows={3} value={how} set={setHow} />
      <div className="d-flex flex-wrap gap-4 my-2">
        {ticks.map(([label, checked, set]) => (
          <Form.Check
            key={label}
            id={`${id}-${label}`}
            type="checkbox"
            label={label}
            checked={checked}
            onChange={(event) => set(event.target.checked)}
          />
        ))}
      </div>
      <TickField<MeasureGroup>
        label="Makes stale"
        value={groups}
        set={setGroups}
        choices={measureGroups.map((group) => [group, group])}
      />
      <TickField
        label="Cautions that travel with it"
        value={carried}
        set={setCarried}
        choices={cautionIds(shop).map((caution) => [caution, cautionWords(shop.cautions, caution).text])}
      />
      <FormEnd
        action="Keep this step"
        disabled={title.trim() === '' || how.trim() === ''}
        onBack={done}
        problem={problem}
      />
    </form>
  );
}

/** Steps of the shop's own, with the place they have in the order. */
export function StepsSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const [open, setOpen] = useState<string | null>(null);
  const steps = inUse(shop.operations);
  return (
    <ShopSection title="Steps of our own" add="Add a step" onAdd={() => setOpen('')}>
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
            <ShopRow
              key={own.id}
              name={plainTitle(own.work.title)}
              acts={[
                ['Change', () => setOpen(own.id)],
                ['Put away', () => void write('operation', { ...own, retired: true })],
              ]}
            >
              <strong>{plainTitle(own.work.title)}</strong>{' '}
              <span className="soft">
                {own.work.stage}, {own.work.minutes.join(' to ')} min{own.standing ? ', in every overhaul' : ''}
              </span>
            </ShopRow>
          ))}
          {steps.length === 0 && <li>None yet.</li>}
        </ul>
      )}
    </ShopSection>
  );
}
