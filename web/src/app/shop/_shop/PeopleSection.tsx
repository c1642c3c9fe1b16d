'use client';

import { freshId, idsOf, inUse, stages, type Person, type ShopState, type Stage } from '@holotonos/core';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import type { PutShop, WriteShop } from '@/shop/useShop';
import { ShopRow, ShopSection } from '@/ui/fields';
import { TypedCheck, TypedEnd, TypedText, TypedTicks } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
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
  const start = {
    name: person.name,
    skills: [...person.skills] as Stage[],
    own: person.week !== undefined,
    week: typedWeek(person.week),
    away: (person.away ?? []).join(', '),
  };
  const { control, submit, problem } = useTypedForm(
    start,
    ({ name, skills, own, away, ...typed }) => {
      const week = parseWeek(typed.week);
      if (own && 'unread' in week) return `${week.unread}: type spans such as 9:00–12:30.`;
      const days = parseDays(away);
      if (days === null) return { at: 'away', words: 'Away on: type dates such as 2026-12-24.' } as const;
      return write('person', {
        id: person.id || freshId(name, 'person', idsOf(people)),
        name: name.trim(),
        skills,
        ...(own && !('unread' in week) && { week }),
        ...(days.length > 0 && { away: days }),
      });
    },
    done,
  );
  const own = useWatch({ control, name: 'own' });
  return (
    <form onSubmit={submit}>
      <div className="shop-form">
        <TypedText control={control} name="name" label="Name" />
        <TypedText control={control} name="away" label="Away on" />
      </div>
      <TypedTicks
        control={control}
        name="skills"
        label="Can do (none ticked: everything)"
        choices={stages.map((stage) => [stage, stage])}
      />
      <TypedCheck control={control} name="own" label="Has hours of their own" className="mb-2" />
      {own && <WeekFields control={control} />}
      <TypedEnd control={control} needs={['name']} action="Keep this person" onBack={done} problem={problem} />
    </form>
  );
}

/** Whose hands there are, what they can do and when. */
export function PeopleSection({ shop, write, put }: { shop: ShopState; write: WriteShop; put: PutShop }) {
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
                ['No longer here', () => put('person', { ...person, retired: true })],
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
