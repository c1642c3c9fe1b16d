'use client';

import { costKinds, minorUnits, moneyText, type CostKind } from '@holotonos/core';
import { useId, useState } from 'react';
import { v4 as newId } from 'uuid';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';

const words: Record<CostKind, string> = { part: 'Part', material: 'Material', outside: 'Work outside' };

/** Parts, materials and work outside that no price of the shop knows: written down for this job alone. */
export function CostsForm({ currency }: { currency: string }) {
  const { state, write } = useJob();
  const id = useId();
  const [kind, setKind] = useState<CostKind>('part');
  const [what, setWhat] = useState('');
  const [sum, setSum] = useState('');
  const amount = minorUnits(sum, currency);
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
          if (amount === null || !write('cost', { cost: newId(), kind, what: what.trim(), amount })) return;
          setWhat('');
          setSum('');
        }}
      >
        <div>
          <Form.Label htmlFor={`${id}-kind`}>Kind</Form.Label>
          <Form.Select id={`${id}-kind`} value={kind} onChange={(event) => setKind(event.target.value as CostKind)}>
            {costKinds.map((each) => (
              <option key={each} value={each}>
                {words[each]}
              </option>
            ))}
          </Form.Select>
        </div>
        <div>
          <Form.Label htmlFor={`${id}-what`}>What</Form.Label>
          <Form.Control id={`${id}-what`} value={what} onChange={(event) => setWhat(event.target.value)} />
        </div>
        <div>
          <Form.Label htmlFor={`${id}-sum`}>{currency}, without tax</Form.Label>
          <Form.Control
            id={`${id}-sum`}
            inputMode="decimal"
            value={sum}
            isInvalid={sum.trim() !== '' && amount === null}
            onChange={(event) => setSum(event.target.value)}
          />
        </div>
        <Button
          type="submit"
          variant="quiet"
          className="align-self-end"
          disabled={amount === null || what.trim() === ''}
        >
          Add it
        </Button>
      </form>
    </section>
  );
}
