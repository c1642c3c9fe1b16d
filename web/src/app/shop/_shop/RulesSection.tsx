'use client';

import {
  inUse,
  findingKinds,
  findingWords,
  shippedOperations,
  type FindingKind,
  type ShopState,
} from '@holotonos/core';
import { useWatch } from 'react-hook-form';
import { Button } from '@/ui/bootstrap';
import type { PutShop, WriteShop } from '@/shop/useShop';
import { Problem, ShopRow, ShopSection } from '@/ui/fields';
import { TypedChoice, TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import { stepTitle } from '@/shop/stepTitle';

/** What the shop does about a kind of finding: comes before the rules that ship. */
export function RulesSection({ shop, write, put }: { shop: ShopState; write: WriteShop; put: PutShop }) {
  const start: { finding: FindingKind; step: string; left: string } = { finding: 'dent', step: '', left: '' };
  const { control, submit, problem } = useTypedForm(
    start,
    ({ finding, step: does, left: why }) => {
      const rule = does === '' ? { finding, left: why.trim() } : { finding, operations: [does] };
      return write('cure-rule', { id: `for-${finding}`, rule });
    },
    ({ setValue }) => setValue('left', ''),
  );
  const [step, left] = useWatch({ control, name: ['step', 'left'] });
  const rules = inUse(shop.cureRules);
  const own = inUse(shop.operations).map(({ id }) => id);
  return (
    <ShopSection title="What we do about a finding">
      <ul className="list-plain">
        {rules.map((each) => (
          <ShopRow
            key={each.id}
            name={findingWords[each.rule.finding].title}
            acts={[['As it ships again', () => put('cure-rule', { ...each, retired: true })]]}
          >
            {findingWords[each.rule.finding].title}:{' '}
            {each.rule.operations?.map((name) => stepTitle(shop, name)).join(', ') ?? `left. ${each.rule.left ?? ''}`}
          </ShopRow>
        ))}
      </ul>
      <form className="shop-form" onSubmit={submit}>
        <TypedChoice
          control={control}
          name="finding"
          label="Finding"
          choices={findingKinds.map((kind) => [kind, findingWords[kind].title])}
        />
        <TypedChoice
          control={control}
          name="step"
          label="We do"
          choices={[
            ['', 'nothing, and say why'],
            ...[...own, ...shippedOperations.keys()].map((name) => [name, stepTitle(shop, name)] as const),
          ]}
        />
        {step === '' && <TypedText control={control} name="left" label="Why it is left" />}
        <Button type="submit" className="align-self-end" disabled={step === '' && left.trim() === ''}>
          Keep this rule
        </Button>
        <Problem problem={problem} />
      </form>
    </ShopSection>
  );
}
