'use client';

import {
  inUse,
  findingKinds,
  findingWords,
  shippedOperations,
  type FindingKind,
  type ShopState,
} from '@holotonos/core';
import { useState } from 'react';
import { Button } from '@/ui/bootstrap';
import type { WriteShop } from '@/shop/useShop';
import { ChoiceField, Problem, ShopRow, ShopSection, TextField } from '@/ui/fields';
import { stepTitle } from '@/shop/stepTitle';

/** What the shop does about a kind of finding: comes before the rules that ship. */
export function RulesSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const [finding, setFinding] = useState<FindingKind>('dent');
  const [step, setStep] = useState('');
  const [left, setLeft] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const rules = inUse(shop.cureRules);
  const own = inUse(shop.operations).map(({ id }) => id);
  const submit = async () => {
    const rule = step === '' ? { finding, left: left.trim() } : { finding, operations: [step] };
    const wrong = await write('cure-rule', { id: `for-${finding}`, rule });
    setProblem(wrong);
    if (wrong === null) setLeft('');
  };
  return (
    <ShopSection title="What we do about a finding">
      <ul className="list-plain">
        {rules.map((each) => (
          <ShopRow
            key={each.id}
            name={findingWords[each.rule.finding].title}
            acts={[['As it ships again', () => void write('cure-rule', { ...each, retired: true })]]}
          >
            {findingWords[each.rule.finding].title}:{' '}
            {each.rule.operations?.map((name) => stepTitle(shop, name)).join(', ') ?? `left. ${each.rule.left ?? ''}`}
          </ShopRow>
        ))}
      </ul>
      <form
        className="shop-form"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <ChoiceField
          label="Finding"
          name="finding"
          value={finding}
          set={setFinding}
          choices={findingKinds.map((kind) => [kind, findingWords[kind].title])}
        />
        <ChoiceField
          label="We do"
          name="step"
          value={step}
          set={setStep}
          choices={[
            ['', 'nothing, and say why'],
            ...[...own, ...shippedOperations.keys()].map((name) => [name, stepTitle(shop, name)] as const),
          ]}
        />
        {step === '' && <TextField label="Why it is left" value={left} set={setLeft} />}
        <Button type="submit" className="align-self-end" disabled={step === '' && left.trim() === ''}>
          Keep this rule
        </Button>
        <Problem problem={problem} />
      </form>
    </ShopSection>
  );
}
