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
  type OwnOperation,
  type ShopState,
  type Stage,
} from '@holotonos/core';
import { useState } from 'react';
import type { PutShop, WriteShop } from '@/shop/useShop';
import { ShopRow, ShopSection } from '@/ui/fields';
import { TypedCheck, TypedChoice, TypedEnd, TypedText, TypedTicks } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
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
  const work = own?.work;
  const start = {
    title: work ? plainTitle(work.title) : '',
    local: work?.title.includes('{part}') ?? true,
    stage: work?.stage ?? ('keys' as Stage),
    minutes: (work?.minutes ?? [10, 20, 40]).join(', '),
    wait: String(work?.unattended ?? 0),
    how: work?.how.join('\n') ?? '',
    tools: work?.tools.join(', ') ?? '',
    groups: measureGroups.filter((group) => work?.disturbs.some((measure) => measure.startsWith(`${group}:`))),
    carried: [...(work?.cautions ?? [])],
    always: own?.standing !== undefined,
  };
  const { control, submit, problem } = useTypedForm(
    start,
    (typed) => {
      const { title, local, stage, how, tools, groups, carried, always } = typed;
      const figures = parts(typed.minutes, ',').map(parseNumber);
      const [low, likely, high] = figures;
      if (figures.length !== 3 || low == null || likely == null || high == null)
        return { at: 'minutes', words: 'Minutes: type three figures, such as 10, 20, 40.' } as const;
      const unattended = parseNumber(typed.wait);
      if (unattended === null || unattended < 0)
        return { at: 'wait', words: 'Then waits: type minutes, or 0.' } as const;
      return write('operation', {
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
    },
    done,
  );
  return (
    <form onSubmit={submit}>
      <div className="shop-form">
        <TypedText control={control} name="title" label="What is done" />
        <TypedChoice control={control} name="stage" label="Stage" choices={stages.map((each) => [each, each])} />
        <TypedText control={control} name="minutes" label="Minutes: low, likely, high" />
        <TypedText control={control} name="wait" label="Then waits, minutes" inputMode="decimal" />
        <TypedText control={control} name="tools" label="Tools" />
      </div>
      <TypedText control={control} name="how" label="How, a line for each thing to mind" rows={3} />
      <div className="d-flex flex-wrap gap-4 my-2">
        <TypedCheck control={control} name="local" label="Done on one part" />
        <TypedCheck control={control} name="always" label="In every overhaul" />
      </div>
      <TypedTicks
        control={control}
        name="groups"
        label="Makes stale"
        choices={measureGroups.map((group) => [group, group])}
      />
      <TypedTicks
        control={control}
        name="carried"
        label="Cautions that travel with it"
        choices={cautionIds(shop).map((caution) => [caution, cautionWords(shop.cautions, caution).text])}
      />
      <TypedEnd control={control} needs={['title', 'how']} action="Keep this step" onBack={done} problem={problem} />
    </form>
  );
}

/** Steps of the shop's own, with the place they have in the order. */
export function StepsSection({ shop, write, put }: { shop: ShopState; write: WriteShop; put: PutShop }) {
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
                ['Put away', () => put('operation', { ...own, retired: true })],
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
