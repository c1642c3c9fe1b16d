'use client';

import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useId } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import {
  listAddress,
  listGroupings,
  listViews,
  perPage,
  type AskedList,
  type ListGrouping,
  type ListView,
} from './listQuestion';

/** Finds tickets by words, narrows the list, turns its pages. At the foot of a long list only the pages. */
export function ListNav({
  list,
  total,
  shown,
  foot = false,
}: {
  list: AskedList;
  total: number;
  shown: number;
  foot?: boolean;
}) {
  const id = useId();
  const router = useRouter();
  const { view, search, by, page, narrowed } = list;
  const pages = Math.max(1, Math.ceil(total / perPage));
  const from = (page - 1) * perPage + 1;
  const go = (form: HTMLFormElement) => {
    const asked = new FormData(form);
    const wanted = {
      search: String(asked.get('find') ?? '').trim(),
      view: String(asked.get('show')) as ListView,
      by: String(asked.get('by')) as ListGrouping,
    };
    router.push(listAddress(wanted, 1));
  };
  const turning = pages > 1 && (
    <nav
      className="d-flex gap-2 align-items-center"
      aria-label={foot ? 'Pages of the list, below' : 'Pages of the list'}
    >
      {page > 1 && (
        <Link className="btn btn-quiet" href={listAddress(list, page - 1)}>
          Earlier
        </Link>
      )}
      <span className="soft figures">
        {shown > 0 ? `${from}–${from + shown - 1} of ${total}` : `nothing here; ${total} in all`}
      </span>
      {page < pages && (
        <Link className="btn btn-quiet" href={listAddress(list, page + 1)}>
          Later
        </Link>
      )}
    </nav>
  );
  if (foot) return turning;
  return (
    <search className="list-nav mb-3">
      <form
        // Another address is another form: what stands in it is what the list shows.
        key={`${search} ${view} ${by}`}
        className="d-flex flex-wrap gap-2 align-items-end"
        action="/"
        onSubmit={(event) => {
          event.preventDefault();
          go(event.currentTarget);
        }}
      >
        <div>
          <Form.Label visuallyHidden htmlFor={`${id}-find`}>
            Find tickets
          </Form.Label>
          <Form.Control
            id={`${id}-find`}
            name="find"
            type="search"
            maxLength={80}
            defaultValue={search}
            placeholder="ticket, owner, instrument"
          />
        </div>
        <div>
          <Form.Label visuallyHidden htmlFor={`${id}-show`}>
            Show
          </Form.Label>
          <Form.Select
            id={`${id}-show`}
            name="show"
            defaultValue={view}
            onChange={(event) => event.currentTarget.form && go(event.currentTarget.form)}
          >
            {Object.entries(listViews).map(([name, { label }]) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </Form.Select>
        </div>
        <div>
          <Form.Label visuallyHidden htmlFor={`${id}-by`}>
            Group
          </Form.Label>
          <Form.Select
            id={`${id}-by`}
            name="by"
            defaultValue={by}
            onChange={(event) => event.currentTarget.form && go(event.currentTarget.form)}
          >
            {Object.entries(listGroupings).map(([name, label]) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </Form.Select>
        </div>
        <Button type="submit" variant="quiet">
          Find
        </Button>
        {turning}
      </form>
      {narrowed && (
        <p className="mb-0 mt-2" role="status">
          {total === 0 ? 'No ticket fits.' : `${total} ${total === 1 ? 'ticket fits' : 'tickets fit'}.`}{' '}
          <Link href="/">Show all</Link>
        </p>
      )}
    </search>
  );
}
