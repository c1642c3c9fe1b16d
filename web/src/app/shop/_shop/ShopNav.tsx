'use client';

import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import { useMay } from '@/frame/useMay';
import { LinkWaits } from '@/ui/LinkWaits';

const pages = [
  { href: '/shop', name: 'Gauges and practices' },
  { href: '/shop/people', name: 'People, hours, prices' },
  { href: '/shop/work', name: 'Own steps and cautions' },
  { href: '/shop/learned', name: 'What was learned' },
  { href: '/shop/owners', name: 'Owners', act: 'people' },
  { href: '/shop/keys', name: 'Who may come in', act: 'people' },
] as const;

/** The pages of the shop. */
export function ShopNav() {
  const path = usePathname();
  const mayPeople = useMay('people');
  return (
    <nav aria-label="Shop" className="job-tabs mb-3">
      {pages
        .filter((page) => !('act' in page) || mayPeople)
        .map(({ href, name }) => (
          <Link key={href} href={href} aria-current={path === href ? 'page' : undefined}>
            {name}
            <LinkWaits />
          </Link>
        ))}
    </nav>
  );
}
