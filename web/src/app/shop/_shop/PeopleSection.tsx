'use client';

import { freshId, idsOf, inUse, stages, type Person, type ShopState, type Stage } from '@holotonos/core';
import { useId, useState } from 'react';
import { Form } from '@/ui/bootstrap';
import type { WriteShop } from '@/shop/useShop';
import { FormEnd } from '@/ui/FormEnd';
import { ShopRow, ShopSection, TextField, TickField } from '@/ui/fields';
import { typedWeek, WeekFields } from './HoursSection';
import { parseDays, parseWeek } from './hoursText';

const newPerson: Person = { id: '', name: '', skills: [] };

function PersonForm({
  person,
  people,
  write,
  done,
}: {
  person: Person;
  people: readonly Person[];
  write: WriteShop;
  done: () => void;
}) {
  const id = useId();
  const [name, setName] = useState(person.name);
  const [skills, setSkills] = useState<Stage[]>([...person.skills]);
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
      id: person.id || freshId(name, 'person', idsOf(people)),
      name: name.trim(),
      skills,
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
        <TextField label="Name" value={name} set={setName} />
        <TextField label="Away on" value={away} set={setAway} />
      </div>
      <TickField
        label="Can do (none ticked: everything)"
        value={skills}
        set={setSkills}
        choices={stages.map((stage) => [stage, stage])}
      />
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

/** Whose hands there are, what they can do and when. */
export function PeopleSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const [open, setOpen] = useState<string | null>(null);
  const people = inUse(shop.people);
  const edited = open === '' ? newPerson : people.find((person) => person.id === open);
  return (
    <ShopSection title="People" add="Add a person" onAdd={() => setOpen('')}>
      {edited ? (
        <PersonForm key={open} person={edited} people={shop.people} write={write} done={() => setOpen(null)} />
      ) : people.length === 0 ? (
        <p className="mb-0">Nobody is named yet: the bench reckons with one pair of hands that can do everything.</p>
      ) : (
        <ul className="list-plain mb-0">
          {people.map((person) => (
            <ShopRow
              key={person.id}
              name={person.name}
              acts={[
                ['Change', () => setOpen(person.id)],
                ['No longer here', () => void write('person', { ...person, retired: true })],
              ]}
            >
              <strong>{person.name}</strong>{' '}
              <span className="soft">
                {person.skills.length === 0 ? 'everything' : person.skills.join(', ')}
                {person.week && '; own hours'}
                {person.away && person.away.length > 0 && `; away ${person.away.join(', ')}`}
              </span>
            </ShopRow>
          ))}
        </ul>
      )}
    </ShopSection>
  );
}
