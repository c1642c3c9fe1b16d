'use client';

import { searchGroups } from '@holotonos/core';
import { useRouter } from 'next/navigation';
import { useId, useTransition } from 'react';
import { Button, Form } from '@/ui/bootstrap';

/** What is searched for, and where. Works before the page runs, as any form does. */
export function FindForm({ text, group }: { text: string; group: string }) {
  const id = useId();
  const router = useRouter();
  const [waits, start] = useTransition();
  const go = (form: HTMLFormElement) => {
    const typed = new FormData(form);
    const query = new URLSearchParams({ q: String(typed.get('q') ?? '').trim() });
    const where = String(typed.get('in') ?? '');
    if (where !== '') query.set('in', where);
    start(() => router.push(`/find?${query.toString()}`));
  };
  return (
    <search className="mb-3">
      <form
        className="d-flex flex-wrap gap-2 align-items-end"
        action="/find"
        onSubmit={(event) => {
          event.preventDefault();
          go(event.currentTarget);
        }}
      >
        <div className="flex-grow-1">
          <Form.Label htmlFor={`${id}-q`}>Owner, serial, maker, part, fault, or any words written down</Form.Label>
          <Form.Control
            id={`${id}-q`}
            key={text}
            name="q"
            type="search"
            maxLength={120}
            defaultValue={text}
            autoComplete="off"
            autoFocus
          />
        </div>
        <div>
          <Form.Label htmlFor={`${id}-in`}>Where</Form.Label>
          <Form.Select
            id={`${id}-in`}
            key={group}
            name="in"
            defaultValue={group}
            onChange={(event) => event.currentTarget.form && go(event.currentTarget.form)}
          >
            <option value="">everywhere</option>
            {Object.entries(searchGroups).map(([name, { label }]) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </Form.Select>
        </div>
        <Button type="submit" aria-busy={waits}>
          Find
        </Button>
      </form>
    </search>
  );
}
