'use client';

import { costKinds, minorUnits, moneyText, type CostKind } from '@holotonos/core';
import { useId, useState } from 'react';
import { v4 as newId } from 'uuid';
import { Button } from '@/ui/bootstrap';
import { ChoiceField, FieldProblem, figureField, TextField } from '@/ui/fields';
import { useJob } from '@/job/JobContext';

const words: Record<CostKind, string> = { part: 'Part', material: 'Material', outside: 'Work outside' };

const wrongWords = {
  what: 'Say what it is: the owner reads it.',
  sum: 'Type what it costs, such as 12.50: as many figures behind the point as the currency has.',
} as const;

/** Parts, materials and work outside that no price of the shop knows: written down for this job alone. */
export function CostsForm({ currency }: { currency: string }) {
  const { state, write } = useJob();
  const id = useId();
  const [kind, setKind] = useState<CostKind>('part');
  const [what, setWhat] = useState('');
  const [sum, setSum] = useState('');
  const [problem, setProblem] = useState<'what' | 'sum' | null>(null);
  const costs = [...state.costs.values()].filter(({ dropped }) => !dropped);
  return (
    <section className="sheet" aria-labelledby={`${id}-head`}>
      <h3 id={`${id}-head`}>Parts, materials and work outside</h3>
      {costs.length > 0 && (
        <ul className="list-plain">
          {costs.map((cost) => (
            <li key={cost.cost}>
              {words[cost.kind]}: {cost.what}, {moneyText(cost.amount, currency)}{' '}
              <Button
                variant="quiet"
                aria-label={`Do not charge ${cost.what}`}
                onClick={() => write('cost', { ...cost, dropped: true })}
              >
                Do not charge
              </Button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="shop-form"
        onSubmit={(event) => {
          event.preventDefault();
          const amount = minorUnits(sum, currency);
          if (what.trim() === '') return setProblem('what');
          if (amount === null) return setProblem('sum');
          setProblem(null);
          if (!write('cost', { cost: newId(), kind, what: what.trim(), amount })) return;
          setWhat('');
          setSum('');
        }}
      >
        <ChoiceField
          label="Kind"
          name="kind"
          value={kind}
          set={setKind}
          choices={costKinds.map((each) => [each, words[each]])}
        />
        <TextField label="What" value={what} set={setWhat} wrongBy={problem === 'what' ? `${id}-problem` : undefined} />
        <TextField
          label={`${currency}, without tax`}
          {...figureField}
          value={sum}
          set={setSum}
          wrongBy={problem === 'sum' ? `${id}-problem` : undefined}
        />
        <Button type="submit" variant="quiet" className="align-self-end">
          Add it
        </Button>
      </form>
      <FieldProblem id={`${id}-problem`} words={problem ? wrongWords[problem] : undefined} />
    </section>
  );
}
