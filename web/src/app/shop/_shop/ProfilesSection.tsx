'use client';

import {
  freshId,
  idsOf,
  inUse,
  families,
  limitShape,
  practiceNames,
  practiceQuestions,
  practices,
  practiceWords,
  sideWords,
  tolerance,
  toleranceNames,
  toleranceWords,
  type Family,
  type LimitProfile,
  type OwnSettings,
  type PracticeName,
  type PracticeQuestion,
  type ShopState,
  type Tolerance,
  type ToleranceName,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { useController, useWatch, type Control, type FieldPathByValue } from 'react-hook-form';
import { Button, Form } from '@/ui/bootstrap';
import type { PutShop, WriteShop } from '@/shop/useShop';
import { TypedChoice, TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import { parseLimit } from './parseLimit';

type Change = LimitProfile['changes'][number];

const limitText = (limit: Tolerance | readonly number[] | null) =>
  limit === null ? '–' : typeof limit === 'number' ? String(limit) : limit.join(' to ');

interface Typed {
  name: string;
  base: PracticeName;
  /** for which the limits of the practice are shown */
  family: Family;
  settings: OwnSettings;
  rows: Record<ToleranceName, { limit: string; reason: string }>;
}

/** A field in a cell of the table of limits. */
function CellField({
  control,
  name,
  label,
}: {
  control: Control<Typed>;
  name: FieldPathByValue<Typed, string>;
  label: string;
}) {
  const {
    field: { value, onChange },
  } = useController({ control, name });
  return <Form.Control aria-label={label} value={value} onChange={(event) => onChange(event.target.value)} />;
}

function ProfileForm({
  profile,
  isNew,
  profiles,
  write,
  done,
}: {
  profile: LimitProfile;
  isNew: boolean;
  profiles: readonly LimitProfile[];
  write: WriteShop;
  done: () => void;
}) {
  const id = useId();
  const start: Typed = {
    name: profile.name,
    base: profile.base,
    family: 'saxophone',
    settings: profile.settings ?? {},
    rows: Object.fromEntries(
      toleranceNames.map((of) => {
        const change = profile.changes.find((each) => each.name === of);
        return [of, { limit: change ? limitText(change.limit) : '', reason: change?.reason ?? '' }];
      }),
    ) as Typed['rows'],
  };
  const { control, submit, problem } = useTypedForm(
    start,
    ({ name, base, settings: own, rows }) => {
      const changes: Change[] = [];
      for (const of of toleranceNames) {
        const row = rows[of];
        if (row.limit.trim() === '') continue;
        const limit = parseLimit(row.limit, limitShape(of));
        const { words } = toleranceWords[of];
        if (limit === null)
          return `${words}: type ${limitShape(of) === 'band' ? 'two figures, low and high, such as 0.01 to 0.05' : 'one figure, such as 0.05'}.`;
        if (row.reason.trim() === '') return `${words}: say why it is set otherwise.`;
        changes.push({ name: of, limit: typeof limit === 'number' ? limit : [...limit], reason: row.reason.trim() });
      }
      return write('profile', {
        id: isNew ? freshId(name, 'profile', idsOf(profiles)) : profile.id,
        name: name.trim(),
        base,
        changes,
        ...(Object.keys(own).length > 0 && { settings: own }),
      });
    },
    done,
  );
  const [name, base, family] = useWatch({ control, name: ['name', 'base', 'family'] });
  const {
    field: { value: settings, onChange: setSettings },
  } = useController({ control, name: 'settings' });
  const take = (question: PracticeQuestion, side: string) => {
    const { [question]: _, ...rest } = settings;
    setSettings(side === practices[base].settings[question] ? rest : { ...rest, [question]: side });
  };
  return (
    <form onSubmit={submit}>
      <div className="shop-form">
        <TypedText control={control} name="name" label="Name of the practice" />
        <TypedChoice
          control={control}
          name="base"
          label="Copied from"
          choices={practiceNames.map((each) => [each, practices[each].title])}
        />
        <TypedChoice
          control={control}
          name="family"
          label="Shown for a"
          choices={families.map((each) => [each, each])}
        />
      </div>
      <h3 className="mt-3">Where good technicians disagree</h3>
      <div className="questions">
        {practiceQuestions.map((question) => {
          const { question: asks, sides, changes } = practiceWords[question];
          const side = settings[question] ?? practices[base].settings[question];
          const words = sides as Record<string, { title: string; holds: string }>;
          return (
            <div key={question}>
              <Form.Label htmlFor={`${id}-${question}`}>{asks}</Form.Label>
              <Form.Select
                id={`${id}-${question}`}
                value={side}
                onChange={(event) => take(question, event.target.value)}
              >
                {Object.entries(words).map(([key, { title }]) => (
                  <option key={key} value={key}>
                    {title}
                  </option>
                ))}
              </Form.Select>
              <p className="soft mb-0">
                {words[side]?.holds} {settings[question] !== undefined && `Changes: ${changes.toLowerCase()}.`}
              </p>
            </div>
          );
        })}
      </div>
      <h3 className="mt-3">Limits</h3>
      <table className="readings shop-table">
        <caption className="visually-hidden">Limits of the set</caption>
        <thead>
          <tr>
            <th scope="col">Limit</th>
            <th scope="col">{practices[base].title} has</th>
            <th scope="col">Own limit</th>
            <th scope="col">Because</th>
          </tr>
        </thead>
        <tbody>
          {toleranceNames.map((of) => {
            const { words, unit } = toleranceWords[of];
            return (
              <tr key={of}>
                <th scope="row">{words}</th>
                <td>
                  {limitText(tolerance(of, { family, practice: base, settings }))} <span className="soft">{unit}</span>
                </td>
                <td>
                  <CellField control={control} name={`rows.${of}.limit`} label={`${words}, own limit in ${unit}`} />
                </td>
                <td>
                  <CellField control={control} name={`rows.${of}.reason`} label={`${words}, why`} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {problem !== null && (
        <p role="alert" className="say fault">
          {problem}
        </p>
      )}
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" disabled={name.trim() === ''}>
          Keep this practice
        </Button>
        <Button variant="quiet" onClick={done}>
          Back
        </Button>
      </div>
    </form>
  );
}

const newProfile: LimitProfile = { id: '', name: '', base: 'steady', changes: [] };

/** The shop's own sets of limits: a practice copied, some limits changed, each with its reason. */
export function ProfilesSection({ shop, write, put }: { shop: ShopState; write: WriteShop; put: PutShop }) {
  const [open, setOpen] = useState<string | null>(null);
  const profiles = inUse(shop.profiles);
  const edited = open === '' ? newProfile : profiles.find(({ id }) => id === open);
  return (
    <section className="sheet" aria-labelledby="profiles">
      <div className="d-flex justify-content-between align-items-start gap-3">
        <h2 id="profiles">Practices of our own</h2>
        <Button variant="quiet" onClick={() => setOpen('')}>
          Copy a practice
        </Button>
      </div>
      <p className="soft">
        Stage, Steady and Keeper ship as they are. A practice of your own starts from one of them; a job takes it up on
        its own page, and what was read is judged anew. Its plan follows. Nothing that was read is changed.
      </p>
      {edited ? (
        <ProfileForm
          key={open}
          profile={edited}
          isNew={open === ''}
          profiles={shop.profiles}
          write={write}
          done={() => setOpen(null)}
        />
      ) : profiles.length === 0 ? (
        <p className="mb-0">None yet.</p>
      ) : (
        <ul className="list-plain mb-0">
          {profiles.map((profile) => (
            <li key={profile.id} className="mb-2">
              <strong>{profile.name}</strong>{' '}
              <span className="soft">
                from {practices[profile.base].title}:{' '}
                {Object.entries(profile.settings ?? {})
                  .map(([question, side]) => `${sideWords(question as PracticeQuestion, side).title.toLowerCase()}; `)
                  .join('')}
                {profile.changes
                  .map(
                    ({ name, limit, reason }) =>
                      `${toleranceWords[name].words.toLowerCase()} ${limitText(limit)} (${reason})`,
                  )
                  .join('; ') || (profile.settings ? '' : 'nothing changed yet')}
              </span>{' '}
              <Button variant="quiet" aria-label={`Change ${profile.name}`} onClick={() => setOpen(profile.id)}>
                Change
              </Button>{' '}
              <Button
                variant="quiet"
                aria-label={`Put away ${profile.name}`}
                onClick={() => put('profile', { ...profile, retired: true })}
              >
                Put away
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
