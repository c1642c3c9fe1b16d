'use client';

import NextLink from 'next/link';
import { useState, type ComponentProps } from 'react';

/**
 * A way to another page of the app. What the page needs is fetched once a hand or the focus is on it: fetched for every link
 * that is in sight, it costs the server more than the page one looks at (23 requests for the bench).
 */
export function Link({ onPointerEnter, onFocus, ...props }: ComponentProps<typeof NextLink>) {
  const [near, setNear] = useState(false);
  return (
    <NextLink
      {...props}
      prefetch={near ? null : false}
      onPointerEnter={(event) => {
        setNear(true);
        onPointerEnter?.(event);
      }}
      onFocus={(event) => {
        setNear(true);
        onFocus?.(event);
      }}
    />
  );
}
