'use client';

import { inUse, type ShopState, type SpringMaterial } from '@holotonos/core';
import { useState } from 'react';
import type { PutShop, WriteShop } from '@/shop/useShop';
import { ShopRow, ShopSection } from '@/ui/fields';
import { FormEnd } from '@/ui/FormEnd';
import { TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import { readMaterial } from './readMaterial';

function MaterialForm({
  material,
  shop,
  write,
  done,
}: {
  material: SpringMaterial | null;
  shop: ShopState;
  write: WriteShop;
  done: () => void;
}) {
  const start = {
    name: material?.name ?? '',
    modulus: material ? String(material.modulus) : '',
    yield: material ? String(material.yield) : '',
  };
  const { control, submit, problem } = useTypedForm(
    start,
    (typed) => {
      const read = readMaterial(typed, shop.springMaterials, material);
      return read.ok ? write('spring-material', read.body) : read.problem;
    },
    done,
  );
  return (
    <form className="mt-2" onSubmit={submit}>
      <div className="shop-form">
        <TypedText control={control} name="name" label="Material of springs" />
        <TypedText control={control} name="modulus" label="Stiffness, GPa" inputMode="decimal" />
        <TypedText control={control} name="yield" label="Strength before it stays bent, MPa" inputMode="decimal" />
      </div>
      <FormEnd action="Keep the material" disabled={false} onBack={done} problem={problem} />
    </form>
  );
}

/** What the springs of the shop are made of: how a spring is reckoned with, and which wire of the drawers is of its kind. */
export function SpringMaterialsSection({ shop, write, put }: { shop: ShopState; write: WriteShop; put: PutShop }) {
  const [open, setOpen] = useState<SpringMaterial | 'new' | null>(null);
  const materials = inUse(shop.springMaterials);
  return (
    <ShopSection title="What springs are made of" add="Another material" onAdd={() => setOpen('new')}>
      <p className="soft">
        Wire in the drawers is of a material by its name. Figures are workshop defaults until you say yours.
      </p>
      <ul className="list-plain mb-0">
        {materials.map((material) => (
          <ShopRow
            key={material.id}
            name={material.name}
            acts={[
              ['Change', () => setOpen(material)],
              ['Put away', () => put('spring-material', { ...material, retired: true })],
            ]}
          >
            {material.name}: {material.modulus} GPa, {material.yield} MPa
          </ShopRow>
        ))}
      </ul>
      {open !== null && (
        <MaterialForm
          key={open === 'new' ? 'new' : open.id}
          material={open === 'new' ? null : open}
          shop={shop}
          write={write}
          done={() => setOpen(null)}
        />
      )}
    </ShopSection>
  );
}
