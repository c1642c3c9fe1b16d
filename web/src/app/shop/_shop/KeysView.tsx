'use client';

import type { Key } from '@holotonos/store';
import { parseNumber, roles, roleWords, type Role, type ShopState } from '@holotonos/core';
import { useCallback, useEffect, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useBench, useWhen } from '@/frame/BenchContext';
import { FirstOwnerForm } from '@/frame/FirstOwnerForm';
import { askDoor } from '@/frame/keysApi';
import { useShop, type WriteShop } from '@/shop/useShop';
import { Button } from '@/ui/bootstrap';
import { ShopSection } from '@/ui/fields';
import { FormEnd } from '@/ui/FormEnd';
import { TypedChoice, TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';

interface AuditLine {
  seq: number;
  at: string;
  what: string;
  who: string;
  about: string;
  address: string;
}

const auditWords: Readonly<Record<string, string>> = {
  'signed-in': 'came in',
  'changed-hands': 'took over from',
  'refused': 'was refused',
  'first-owner': 'made the shop’s first key',
  'bench-made': 'made a browser a bench',
  'key-made': 'gave a key:',
  'key-changed': 'changed a key:',
  'key-ended': 'took a key back:',
  'exported': 'took out of the house:',
  'owner-forgotten': 'forgot the owner of',
  'restored': 'brought back',
};

const ways = ({ email, hasPin }: Key) =>
  [email && `password, ${email}`, hasPin && 'number at the bench'].filter(Boolean).join('; ') || 'none';

/** A key is given, or said otherwise. What is left empty stays as it is. */
function KeyForm({ shown, done }: { shown: Key | null; done: (said: string | null) => void | Promise<void> }) {
  const start = {
    name: shown?.name ?? '',
    role: shown?.role ?? ('technician' as Role),
    pin: '',
    email: shown?.email ?? '',
    password: '',
  };
  const send = async (key: typeof start, more: object = {}) => {
    const { name, email } = key;
    const typed = { ...key, name: name.trim(), email: email.trim() };
    const answer = await askDoor('/keys', { ...(shown && { id: shown.id }), ...typed, ...more });
    if (!answer.ok) return answer.message;
    await done(shown ? `${name} has it so now.` : `${name} has a key.`);
    return null;
  };
  const { control, submit, problem } = useTypedForm(start, (typed) => send(typed));
  const role = useWatch({ control, name: 'role' });
  const [unkept, setUnkept] = useState<string | null>(null);
  return (
    <ShopSection title={shown ? `The key of ${shown.name}` : 'A new key'}>
      <form onSubmit={submit}>
        <div className="shop-form">
          <TypedText control={control} name="name" label="Name" autoComplete="off" autoFocus />
          <TypedChoice
            control={control}
            name="role"
            label="Role"
            choices={roles.map((each) => [each, roleWords[each].title])}
          />
          <TypedText
            control={control}
            name="pin"
            label={`Number, 4 to 8 digits${shown?.hasPin ? ' (empty: as it is)' : ''}`}
            inputMode="numeric"
            autoComplete="off"
          />
          <TypedText control={control} name="email" label="E-mail address (if any)" type="email" autoComplete="off" />
          <TypedText
            control={control}
            name="password"
            label="Password (with an address)"
            type="password"
            autoComplete="new-password"
          />
        </div>
        <p className="soft">{roleWords[role].does}</p>
        <FormEnd
          action={shown ? 'Keep it so' : 'Give the key'}
          disabled={false}
          onBack={() => void done(null)}
          problem={problem ?? unkept}
        />
        {shown && !shown.ended && (
          <Button variant="quiet" className="mt-2" onClick={() => void send(start, { ended: true }).then(setUnkept)}>
            Take the key back
          </Button>
        )}
      </form>
    </ShopSection>
  );
}

/** After how long a bench that nobody touches asks who is there. */
function LockForm({ minutes, write }: { minutes: number; write: WriteShop }) {
  const { control, submit, problem, taken } = useTypedForm({ minutes: String(minutes) }, (typed) => {
    const read = parseNumber(typed.minutes);
    if (read === null || !Number.isInteger(read) || read < 1 || read > 480)
      return { at: 'minutes', words: 'Type whole minutes, 1 to 480.' } as const;
    return write('lock', { minutes: read });
  });
  const said = taken ? 'Kept. Pages that are open take it up when they are loaded again.' : (problem ?? '');
  return (
    <ShopSection title="Locking">
      <form className="d-flex flex-wrap gap-2 align-items-end" onSubmit={submit}>
        <TypedText
          control={control}
          name="minutes"
          label="Minutes without a touch until a bench asks who is there"
          inputMode="numeric"
        />
        <Button type="submit">Keep it so</Button>
      </form>
      <p aria-live="polite" className="mb-0">
        {said}
      </p>
    </ShopSection>
  );
}

/** Who may come into this shop, as what, and who has been here. */
export function KeysView({ first }: { first: ShopState }) {
  const { keeping } = useBench();
  const { momentText } = useWhen();
  const { shop, write } = useShop(first);
  const [keys, setKeys] = useState<Key[] | null>(null);
  const [lines, setLines] = useState<AuditLine[]>([]);
  const [open, setOpen] = useState<Key | 'new' | null>(null);
  const [said, setSaid] = useState('');
  const read = useCallback(async () => {
    const [list, log] = await Promise.all([
      askDoor<{ keys: Key[] }>('/keys'),
      askDoor<{ lines: AuditLine[] }>('/audit'),
    ]);
    if (!list.ok) return setSaid(list.message);
    setKeys(list.body.keys);
    if (log.ok) setLines(log.body.lines);
  }, []);
  useEffect(() => {
    // Nobody has a key yet: there is nothing to ask for.
    if (keeping !== 'open') queueMicrotask(() => void read());
  }, [keeping, read]);
  const done = async (words: string | null) => {
    // The list first: it must not grow under a hand that already goes for the next key.
    if (words !== null) await read();
    setOpen(null);
    setSaid(words ?? '');
  };
  return (
    <>
      <p aria-live="polite">{said}</p>
      {keeping === 'open' ? (
        <ShopSection title="The first owner">
          <p>
            Nobody has a key yet: whoever reaches this machine works in the shop, under any name. Make the first owner,
            and from then on everybody comes in with a key of their own, and signs with it.
          </p>
          <FirstOwnerForm onIn={() => window.location.reload()} />
        </ShopSection>
      ) : (
        <>
          <ShopSection title="Keys">
            <table className="readings">
              <caption className="visually-hidden">Who has a key</caption>
              <thead>
                <tr>
                  <th scope="col">Name</th>
                  <th scope="col">Role</th>
                  <th scope="col">Comes in by</th>
                  <th scope="col">
                    <span className="visually-hidden">Change</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {(keys ?? []).map((each) => (
                  <tr key={each.id}>
                    <th scope="row">{each.name}</th>
                    <td>{each.ended ? 'taken back' : roleWords[each.role].title}</td>
                    <td>{each.ended ? '–' : ways(each)}</td>
                    <td>
                      <Button
                        variant="quiet"
                        aria-label={`Change the key of ${each.name}`}
                        onClick={() => setOpen(each)}
                      >
                        Change
                      </Button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <Button className="mt-2" onClick={() => setOpen('new')}>
              A new key
            </Button>
          </ShopSection>
          {open !== null && (
            <KeyForm key={open === 'new' ? 'new' : open.id} shown={open === 'new' ? null : open} done={done} />
          )}
          <LockForm key={shop.lockMinutes} minutes={shop.lockMinutes} write={write} />
          <ShopSection title="Who was here">
            {lines.length === 0 ? (
              <p className="mb-0">Nobody yet.</p>
            ) : (
              <ul className="mb-0">
                {lines.map(({ seq, at, what, who, about, address }) => (
                  <li key={seq}>
                    <span className="soft">{momentText(new Date(at).toISOString())}</span> {who}{' '}
                    {auditWords[what] ?? what} {about.startsWith('PIN of') ? 'with a wrong number' : about}
                    {address && <span className="soft"> ({address})</span>}
                  </li>
                ))}
              </ul>
            )}
          </ShopSection>
        </>
      )}
    </>
  );
}
