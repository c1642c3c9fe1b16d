import type { ReactNode } from 'react';
import { ShopNav } from '@/app/shop/_shop/ShopNav';

export default function ShopLayout({ children }: { children: ReactNode }) {
  return (
    <main id="main" className="page">
      <h1>The shop</h1>
      <ShopNav />
      {children}
    </main>
  );
}
