'use client';

import type { Owner } from '@holotonos/store';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useBench } from '@/frame/BenchContext';
import { Button, Form } from '@/ui/bootstrap';
import { Problem, ShopSection } from '@/ui/fields';
import { refusedWords } from '@/ui/refusedWords';
import { TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';

/** What cannot be undone is done by whoever has typed the name. */
function Forget({ owner, onDone }: { owner: Owner; onDone: (said: string | null) => void }) {
  const { who } = useBench();
  const isSame = (typed: string) => typed.trim() === owner.name.trim();
  const { control, submit, problem, isSending } = useTypedForm({ name: '' }, async ({ name }) => {
    if (!isSame(name)) return null;
    const by = encodeURIComponent(who());
    const response = await fetch(`/api/v1/owners/${owner.id}/forget?author=${by}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{}',
    }).catch(() => null);
    if (!response?.ok)
      return refusedWords(response, 'It did not get through; nothing was forgotten. Try again in a moment.');
    onDone(`They are forgotten. ${owner.tickets.join(', ')} stay, and say no name.`);
    return null;
  });
  const same = isSame(useWatch({ control, name: 'name' }));
  return (
    <form className="say fault mt-2" aria-label={`Forget ${owner.name}`} onSubmit={submit}>
      <p>
        The name and how to reach them go from {owner.tickets.join(', ')}, from every list and from every backup made
        from now on. Their links open nothing any more. The instruments, what was found and what was done stay. What
        somebody wrote into a note stays too: strike it first. Nobody can take this back.
      </p>
      <TypedText
        control={control}
        name="name"
        label={`Type “${owner.name}” to go on`}
        autoComplete="off"
        autoFocus
        className="mb-2"
      />
      <div className="d-flex gap-2">
        <Button type="submit" disabled={!same || isSending}>
          Forget them for good
        </Button>
        <Button variant="quiet" onClick={() => onDone(null)}>
          Back
        </Button>
      </div>
      <Problem problem={problem} />
    </form>
  );
}

/** Whose instruments are here: everything about one of them to take along, and how one is forgotten. */
export function OwnersView({ owners, search }: { owners: readonly Owner[]; search: string }) {
  const id = useId();
  const router = useRouter();
  const [open, setOpen] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  return (
    <ShopSection title="Owners">
      <p className="soft">
        What is said of an owner is kept apart from what is said of their instrument. They may have all of it, and they
        may be forgotten.
      </p>
      <search>
        <form className="d-flex gap-2 align-items-end mb-3" action="/shop/owners">
          <div>
            <Form.Label htmlFor={`${id}-find`}>Find an owner, or an instrument of theirs</Form.Label>
            <Form.Control
              id={`${id}-find`}
              key={search}
              name="find"
              type="search"
              maxLength={80}
              defaultValue={search}
            />
          </div>
          <Button type="submit" variant="quiet">
            Find
          </Button>
        </form>
      </search>
      <p role="status" className={said === null ? 'visually-hidden' : 'say sound'}>
        {said ?? ''}
      </p>
      {owners.length === 0 && <p className="mb-0">{search === '' ? 'Nobody yet.' : 'Nobody answers to that.'}</p>}
      <ul className="list-plain mb-0">
        {owners.map((owner) => (
          <li key={owner.id} className="owner-line">
            <div>
              <strong>{owner.name}</strong> {owner.contact && <span className="soft">{owner.contact}</span>}
              <div>
                {owner.tickets.map((ticket, i) => (
                  <span key={ticket}>
                    {i > 0 && ', '}
                    <Link href={`/jobs/${encodeURIComponent(ticket)}`}>{ticket}</Link>
                  </span>
                ))}
              </div>
            </div>
            <div className="d-flex flex-wrap gap-2 align-items-start">
              <a
                className="btn btn-quiet"
                href={`/api/v1/owners/${owner.id}/archive.zip`}
                aria-label={`All about them (ZIP): ${owner.name}`}
              >
                All about them (ZIP)
              </a>
              <Button variant="quiet" aria-label={`Forget …: ${owner.name}`} onClick={() => setOpen(owner.id)}>
                Forget …
              </Button>
            </div>
            {open === owner.id && (
              <Forget
                owner={owner}
                onDone={(words) => {
                  setOpen(null);
                  if (words === null) return;
                  setSaid(words);
                  router.refresh();
                }}
              />
            )}
          </li>
        ))}
      </ul>
      {owners.length >= 50 && <p className="soft mb-0 mt-2">There are more: find them by name.</p>}
    </ShopSection>
  );
}
