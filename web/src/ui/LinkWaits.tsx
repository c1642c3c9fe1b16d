'use client';

import { useLinkStatus } from 'next/link';

/** Inside a link: says that its page is on the way. */
export function LinkWaits() {
  const { pending } = useLinkStatus();
  return (
    <span role="status" className="link-waits">
      {pending && <span className="visually-hidden">on its way</span>}
      {pending && ' …'}
    </span>
  );
}
