'use client';

import {
  costKinds,
  minorUnits,
  moneyText,
  operationTitle,
  shippedOperations,
  stages,
  weekdays,
  type CostKind,
  type Person,
  type Price,
  type ShopState,
  type Stage,
  type Weekday,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/client/bootstrap';
import { parseFigure } from '@/client/parseFigure';
import { useShop, type WriteShop } from '@/client/useShop';
import { FormEnd, idFrom } from './FormEnd';
import { dayNames, hoursText, parseDays, parseWeek } from './hoursText';

type Typed = Record<Weekday, string>;
const typedWeek = (week: ShopState['hours']['week'] | undefined): Typed =>
  Object.fromEntries(weekdays.map((day) => [day, hoursText(week?.[day])])) as Typed;

function WeekFields({ typed, set }: { typed: Typed; set: (typed: Typed) => void }) {
  const id = useId();
  return (
    <div className="shop-form week-fields">
      {weekdays.map((day) => (
        <div key={day}>
          <Form.Label htmlFor={`${id}-${day}`}>{dayNames[day]}</Form.Label>
          <Form.Control
            id={`${id}-${day}`}
            placeholder="closed"
            value={typed[day]}
            onChange={(event) => set({ ...typed, [day]: event.target.value })}
          />
        </div>
      ))}
    </div>
  );
}

/** When the shop is open, and how many ovens and vices there are. */
function Hours({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const id = useId();
  const { hours } = shop;
  const [typed, setTyped] = useState(() => typedWeek(hours.week));
  const [zone, setZone] = useState(hours.timeZone);
  const [closed, setClosed] = useState(hours.closed.join(', '));
  const [ovens, setOvens] = useState(String(hours.resources.oven));
  const [vices, setVices] = useState(String(hours.resources.vice));
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const submit = async () => {
    setKept(false);
    const week = parseWeek(typed);
    if ('unread' in week) return setProblem(`${week.unread}: type spans such as 9:00–12:30, 13:30–17:30.`);
    const days = parseDays(closed);
    if (days === null) return setProblem('Closed days: type dates such as 2026-12-24, 2026-12-31.');
    const resources = { oven: parseFigure(ovens) ?? 0, vice: parseFigure(vices) ?? 0 };
    const wrong = await write('hours', { timeZone: zone.trim(), week, closed: days, resources });
    setProblem(wrong);
    setKept(wrong === null);
  };
  return (
    <section className="sheet" aria-labelledby={`${id}-head`}>
      <h2 id={`${id}-head`}>Opening hours</h2>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <WeekFields typed={typed} set={setTyped} />
        <div className="shop-form mt-2">
          <div>
            <Form.Label htmlFor={`${id}-zone`}>Time zone</Form.Label>
            <Form.Control id={`${id}-zone`} value={zone} onChange={(event) => setZone(event.target.value)} />
          </div>
          <div>
            <Form.Label htmlFor={`${id}-closed`}>Closed on</Form.Label>
            <Form.Control
              id={`${id}-closed`}
              placeholder="2026-12-24, 2026-12-31"
              value={closed}
              onChange={(event) => setClosed(event.target.value)}
            />
          </div>
          <div>
            <Form.Label htmlFor={`${id}-ovens`}>Ovens</Form.Label>
            <Form.Control
              id={`${id}-ovens`}
              inputMode="numeric"
              value={ovens}
              onChange={(event) => setOvens(event.target.value)}
            />
          </div>
          <div>
            <Form.Label htmlFor={`${id}-vices`}>Vices</Form.Label>
            <Form.Control
              id={`${id}-vices`}
              inputMode="numeric"
              value={vices}
              onChange={(event) => setVices(event.target.value)}
            />
          </div>
        </div>
        <div className="d-flex align-items-center gap-3 mt-2">
          <Button type="submit">Keep these hours</Button>
          {kept && <span role="status">Kept.</span>}
        </div>
        {problem !== null && (
          <p role="alert" className="say fault mt-2">
            {problem}
          </p>
        )}
      </form>
    </section>
  );
}

const newPerson: Person = { id: '', name: '', skills: [] };

function PersonForm({ person, write, done }: { person: Person; write: WriteShop; done: () => void }) {
  const id = useId();
  const [name, setName] = useState(person.name);
  const [skills, setSkills] = useState<readonly Stage[]>(person.skills);
  const [own, setOwn] = useState(person.week !== undefined);
  const [typed, setTyped] = useState(() => typedWeek(person.week));
  const [away, setAway] = useState((person.away ?? []).join(', '));
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    const week = parseWeek(typed);
    if (own && 'unread' in week) return setProblem(`${week.unread}: type spans such as 9:00–12:30.`);
    const days = parseDays(away);
    if (days === null) return setProblem('Away on: type dates such as 2026-12-24.');
    const wrong = await write('person', {
      id: person.id || idFrom(name, 'person'),
      name: name.trim(),
      skills: [...skills],
      ...(own && !('unread' in week) && { week }),
      ...(days.length > 0 && { away: days }),
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
          <Form.Label htmlFor={`${id}-name`}>Name</Form.Label>
          <Form.Control id={`${id}-name`} value={name} onChange={(event) => setName(event.target.value)} />
        </div>
        <div>
          <Form.Label htmlFor={`${id}-away`}>Away on</Form.Label>
          <Form.Control id={`${id}-away`} value={away} onChange={(event) => setAway(event.target.value)} />
        </div>
      </div>
      <fieldset className="my-2">
        <legend className="fs-6 fw-bold">Can do (none ticked: everything)</legend>
        <div className="d-flex flex-wrap gap-3">
          {stages.map((stage) => (
            <Form.Check
              key={stage}
              id={`${id}-${stage}`}
              type="checkbox"
              label={stage}
              checked={skills.includes(stage)}
              onChange={(event) =>
                setSkills((list) => (event.target.checked ? [...list, stage] : list.filter((each) => each !== stage)))
              }
            />
          ))}
        </div>
      </fieldset>
      <Form.Check
        id={`${id}-own`}
        className="mb-2"
        type="checkbox"
        label="Has hours of their own"
        checked={own}
        onChange={(event) => setOwn(event.target.checked)}
      />
      {own && <WeekFields typed={typed} set={setTyped} />}
      <FormEnd action="Keep this person" disabled={name.trim() === ''} onBack={done} problem={problem} />
    </form>
  );
}

/** Whose hands there are. */
function People({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const id = useId();
  const [open, setOpen] = useState<string | null>(null);
  const people = shop.people.filter(({ retired }) => !retired);
  const edited = open === '' ? newPerson : people.find((person) => person.id === open);
  return (
    <section className="sheet" aria-labelledby={`${id}-head`}>
      <div className="d-flex justify-content-between align-items-start gap-3">
        <h2 id={`${id}-head`}>People</h2>
        <Button variant="quiet" onClick={() => setOpen('')}>
          Add a person
        </Button>
      </div>
      {edited ? (
        <PersonForm key={open} person={edited} write={write} done={() => setOpen(null)} />
      ) : people.length === 0 ? (
        <p className="mb-0">Nobody is named yet: the bench reckons with one pair of hands that can do everything.</p>
      ) : (
        <ul className="list-plain mb-0">
          {people.map((person) => (
            <li key={person.id} className="mb-1">
              <strong>{person.name}</strong>{' '}
              <span className="soft">
                {person.skills.length === 0 ? 'everything' : person.skills.join(', ')}
                {person.week && '; own hours'}
                {person.away && person.away.length > 0 && `; away ${person.away.join(', ')}`}
              </span>{' '}
              <Button variant="quiet" aria-label={`Change ${person.name}`} onClick={() => setOpen(person.id)}>
                Change
              </Button>{' '}
              <Button
                variant="quiet"
                aria-label={`No longer here: ${person.name}`}
                onClick={() => void write('person', { ...person, retired: true })}
              >
                No longer here
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** What an hour costs, the tax on it and how sums are rounded. */
function RatesForm({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const id = useId();
  const { rates } = shop;
  const [currency, setCurrency] = useState(rates?.currency ?? 'EUR');
  const plain = (minor: number) => moneyText(minor, currency).replace(/[^\d.]/g, '');
  const [hour, setHour] = useState(rates ? plain(rates.hourly) : '');
  const [tax, setTax] = useState(String(rates?.taxPercent ?? 0));
  const [round, setRound] = useState(rates ? plain(rates.roundTo) : '1');
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const submit = async () => {
    setKept(false);
    const [hourly, roundTo, taxPercent] = [minorUnits(hour, currency), minorUnits(round, currency), parseFigure(tax)];
    if (hourly === null) return setProblem(`An hour costs: type a sum in ${currency}, such as 64.50.`);
    if (roundTo === null || roundTo < 1) return setProblem('Rounded to: type a sum, such as 0.50 or 1.');
    if (taxPercent === null) return setProblem('Tax: type a figure, such as 19.');
    const wrong = await write('rates', { currency, hourly, taxPercent, roundTo });
    setProblem(wrong);
    setKept(wrong === null);
  };
  const fields = [
    ['Currency', currency, (text: string) => setCurrency(text.toUpperCase())],
    ['An hour costs, without tax', hour, setHour],
    ['Tax, %', tax, setTax],
    ['Sums rounded to', round, setRound],
  ] as const;
  return (
    <section className="sheet" aria-labelledby={`${id}-head`}>
      <h2 id={`${id}-head`}>What an hour costs</h2>
      <form
        className="shop-form"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        {fields.map(([label, value, set]) => (
          <div key={label}>
            <Form.Label htmlFor={`${id}-${label}`}>{label}</Form.Label>
            <Form.Control id={`${id}-${label}`} value={value} onChange={(event) => set(event.target.value)} />
          </div>
        ))}
        <div className="d-flex align-items-center gap-3 align-self-end">
          <Button type="submit">Keep the rates</Button>
          {kept && <span role="status">Kept.</span>}
        </div>
        {problem !== null && (
          <p role="alert" className="say fault">
            {problem}
          </p>
        )}
      </form>
    </section>
  );
}

const perWords: Record<Price['per'], string> = {
  step: 'once',
  pads: 'for each pad',
  keys: 'for each key',
  holes: 'for each hole',
};
const kindWords: Record<CostKind, string> = { part: 'Part', material: 'Material', outside: 'Work outside' };

/** What steps use up: counted into every estimate whose plan has the step. */
function Prices({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const id = useId();
  const currency = shop.rates?.currency ?? 'EUR';
  const [open, setOpen] = useState(false);
  const [what, setWhat] = useState('');
  const [kind, setKind] = useState<CostKind>('material');
  const [sum, setSum] = useState('');
  const [per, setPer] = useState<Price['per']>('step');
  const [operation, setOperation] = useState('renew-pads');
  const [problem, setProblem] = useState<string | null>(null);
  const prices = shop.prices.filter(({ retired }) => !retired);
  const title = (name: string) => operationTitle(name, '').replace(/:\s*$/, '');
  const submit = async () => {
    const amount = minorUnits(sum, currency);
    if (amount === null) return setProblem(`Costs: type a sum in ${currency}, such as 2.40.`);
    const wrong = await write('price', {
      id: idFrom(`${what}-${operation}`, 'price'),
      what: what.trim(),
      kind,
      amount,
      per,
      operations: [operation],
    });
    setProblem(wrong);
    if (wrong === null) setOpen(false);
  };
  return (
    <section className="sheet" aria-labelledby={`${id}-head`}>
      <div className="d-flex justify-content-between align-items-start gap-3">
        <h2 id={`${id}-head`}>Prices of parts and materials</h2>
        <Button variant="quiet" onClick={() => setOpen(true)}>
          Add a price
        </Button>
      </div>
      {prices.length === 0 && !open && <p className="mb-0">None yet: estimates count hours only.</p>}
      {prices.length > 0 && (
        <ul className="list-plain">
          {prices.map((price) => (
            <li key={price.id}>
              {price.what}, {moneyText(price.amount, currency)} {perWords[price.per]}{' '}
              <span className="soft">with “{price.operations.map(title).join('”, “')}”</span>{' '}
              <Button
                variant="quiet"
                aria-label={`Put away the price of ${price.what}`}
                onClick={() => void write('price', { ...price, retired: true })}
              >
                Put away
              </Button>
            </li>
          ))}
        </ul>
      )}
      {open && (
        <form
          className="shop-form"
          onSubmit={(event) => {
            event.preventDefault();
            void submit();
          }}
        >
          <div>
            <Form.Label htmlFor={`${id}-what`}>What</Form.Label>
            <Form.Control id={`${id}-what`} value={what} onChange={(event) => setWhat(event.target.value)} />
          </div>
          <div>
            <Form.Label htmlFor={`${id}-kind`}>Kind</Form.Label>
            <Form.Select id={`${id}-kind`} value={kind} onChange={(event) => setKind(event.target.value as CostKind)}>
              {costKinds.map((each) => (
                <option key={each} value={each}>
                  {kindWords[each]}
                </option>
              ))}
            </Form.Select>
          </div>
          <div>
            <Form.Label htmlFor={`${id}-sum`}>Costs, {currency} without tax</Form.Label>
            <Form.Control id={`${id}-sum`} value={sum} onChange={(event) => setSum(event.target.value)} />
          </div>
          <div>
            <Form.Label htmlFor={`${id}-per`}>Counted</Form.Label>
            <Form.Select id={`${id}-per`} value={per} onChange={(event) => setPer(event.target.value as Price['per'])}>
              {Object.entries(perWords).map(([key, words]) => (
                <option key={key} value={key}>
                  {words}
                </option>
              ))}
            </Form.Select>
          </div>
          <div>
            <Form.Label htmlFor={`${id}-with`}>With the step</Form.Label>
            <Form.Select id={`${id}-with`} value={operation} onChange={(event) => setOperation(event.target.value)}>
              {[...shippedOperations.keys(), ...shop.operations.map((own) => own.id)].map((name) => (
                <option key={name} value={name}>
                  {title(name)}
                </option>
              ))}
            </Form.Select>
          </div>
          <FormEnd
            action="Keep this price"
            disabled={what.trim() === ''}
            onBack={() => setOpen(false)}
            problem={problem}
          />
        </form>
      )}
    </section>
  );
}

/** Whose hands there are and when, what an hour and a part cost. */
export function PeopleView({ first }: { first: ShopState }) {
  const { shop, write } = useShop(first);
  return (
    <>
      <People shop={shop} write={write} />
      <Hours shop={shop} write={write} />
      <RatesForm shop={shop} write={write} />
      <Prices shop={shop} write={write} />
    </>
  );
}
